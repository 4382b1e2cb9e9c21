<script lang="ts">
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
  }
  const { ground }: Props = $props();

  const placements = $derived(ground.mask?.placements ?? []);
</script>

<g transform={ground.carry}>
  {#each placements as { number, box } (number)}
    <rect class="placement" x={box[0]} y={box[1]} width={box[2] - box[0]} height={box[3] - box[1]} rx="6" />
  {/each}
</g>
{#each placements as { number, box } (number)}
  <text class="label" x={ground.ax(ground.turned ? box[2] : box[0]) + 6} y={ground.px(box[1]) + 16}
    >{number}</text
  >
{/each}

<style>
  .placement {
    fill: rgb(194 87 26 / 0.1);
    stroke: var(--color-signal-500);
    stroke-width: 1.5;
    vector-effect: non-scaling-stroke;
  }
  .label {
    fill: #1b2429;
    font-weight: 700;
    font-size: 13px;
    paint-order: stroke;
    stroke: #fbf8ef;
    stroke-width: 3px;
  }
</style>
