<script lang="ts">
  import { showTape } from '../units';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
  }
  const { ground }: Props = $props();

  const px = $derived(ground.px);
  const collar = $derived(ground.picture.collar);
</script>

{#if collar}
  <g class="collar" aria-hidden="true">
    <path d="M{px(collar.at[0])} {px(collar.at[1])}V{px(ground.picture.height)}" />
    <path
      d="M{px(collar.at[0]) - 18} {px(collar.at[1])}h36M{px(collar.middle)} {px(collar.at[1])}V{px(
        collar.top,
      )}m-7-7 7 7 7-7"
      class="drop"
    />
    <text x={px(collar.middle) + 8} y={(px(collar.at[1]) + px(collar.top)) / 2 + 4}
      >{showTape(collar.top - collar.at[1], ground.unit)}</text
    >
  </g>
{/if}

<style>
  .collar path {
    fill: none;
    stroke: #fbf8ef;
    stroke-width: 1.5;
    stroke-dasharray: 2 5;
    paint-order: stroke;
  }
  .collar .drop {
    stroke: var(--color-signal-300);
    stroke-width: 2.5;
    stroke-dasharray: none;
  }
  .collar text {
    fill: #1b2429;
    font-size: 13px;
    font-weight: 700;
    paint-order: stroke;
    stroke: #fbf8ef;
    stroke-width: 5px;
    stroke-linejoin: round;
  }
</style>
