<script lang="ts">
  import { showTape } from '../units';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
  }
  const { ground }: Props = $props();

  const strips = $derived(ground.mask?.covers ?? []);
  const show = (mm: number) => showTape(mm, ground.unit);
</script>

<g transform={ground.carry}>
  {#each strips as { number, box } (number)}
    <rect class="strip" x={box[0]} y={box[1]} width={box[2] - box[0]} height={box[3] - box[1]} />
  {/each}
</g>
{#each strips as { number, box } (number)}
  {@const upright = box[3] - box[1] > box[2] - box[0]}
  {@const x = ground.ax((box[0] + box[2]) / 2)}
  {@const y = ground.px((box[1] + box[3]) / 2)}
  <text
    class="label"
    {x}
    {y}
    transform={upright ? `rotate(-90 ${x} ${y})` : undefined}
    text-anchor="middle"
    dominant-baseline="central"
    ><tspan class="number">{number}</tspan>
    {show(Math.min(box[2] - box[0], box[3] - box[1]))} by {show(
      Math.max(box[2] - box[0], box[3] - box[1]),
    )}</text
  >
{/each}

<style>
  .strip {
    fill: #e7ddc4;
    fill-opacity: 0.85;
    stroke: #4f4a40;
    stroke-width: 1.5;
    stroke-dasharray: 8 4;
    vector-effect: non-scaling-stroke;
  }
  .label {
    fill: #1b2429;
    font-weight: 600;
    font-size: 13px;
    paint-order: stroke;
    stroke: #fbf8ef;
    stroke-width: 3px;
  }
  .number {
    font-size: 18px;
    font-weight: 700;
  }
</style>
