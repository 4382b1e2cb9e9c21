<script lang="ts">
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
  }
  const { ground }: Props = $props();

  const id = $props.id();
  const px = $derived(ground.px);
</script>

{#if ground.picture.clear.length}
  <defs>
    <pattern {id} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(35)">
      <rect width="9" height="9" fill="rgb(251 248 239 / 0.55)" />
      <path d="M0 0V9" stroke="#1b2429" stroke-width="3" />
    </pattern>
  </defs>
  {#each ground.picture.clear as area, index (index)}
    <g class="clear">
      <title>Kept clear: {area.name}</title>
      <g transform={ground.carry}>
        <path d={area.path} fill="url(#{id})" />
      </g>
      <text x={px(area.at[0])} y={px(area.at[1]) + 4}>{area.name}</text>
    </g>
  {/each}
{/if}

<style>
  .clear path {
    stroke: #1b2429;
    stroke-width: 1.5;
    vector-effect: non-scaling-stroke;
  }
  .clear text {
    fill: #1b2429;
    font-size: 12px;
    font-weight: 700;
    text-anchor: middle;
    paint-order: stroke;
    stroke: #fbf8ef;
    stroke-width: 5px;
    stroke-linejoin: round;
  }
</style>
