<script lang="ts">
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
    /** Which going over of the mask, counted from the end where it is negative. */
    pass?: number;
    /** Rests that are pressed, and those where the mask lifted. */
    pressed?: number[];
    lifted?: number[];
  }
  const { ground, pass = 0, pressed = [], lifted = [] }: Props = $props();

  const id = $props.id();
  const placements = $derived(ground.mask?.passes.at(pass)?.placements ?? []);
  /** What lies near the hand: the first that is not pressed yet. */
  const next = $derived(placements.find(({ number }) => !pressed.includes(number))?.number);
  const order = $derived(
    [...placements].sort((a, b) => Number(a.number === next) - Number(b.number === next)),
  );
</script>

<clipPath id="{id}-blank"><path d={ground.picture.outline} /></clipPath>
<g transform={ground.carry}>
  <g clip-path="url(#{id}-blank)">
    {#each order as { number, box } (number)}
      <rect
        class="placement"
        class:pressed={pressed.includes(number)}
        class:lifted={lifted.includes(number)}
        class:next={number === next}
        x={box[0]}
        y={box[1]}
        width={box[2] - box[0]}
        height={box[3] - box[1]}
        rx="6"
      />
    {/each}
  </g>
</g>
{#each placements as { number, box } (number)}
  {@const done = pressed.includes(number)}
  <text
    class="label"
    class:faded={done}
    class:near={number === next}
    x={ground.ax((box[0] + box[2]) / 2)}
    y={ground.px((box[1] + box[3]) / 2)}
    text-anchor="middle"
    dominant-baseline="central">{number}{done ? ' ✓' : ''}{lifted.includes(number) ? ' ↑' : ''}</text
  >
{/each}

<style>
  .placement {
    fill: rgb(194 87 26 / 0.08);
    stroke: var(--color-signal-500);
    stroke-width: 1.5;
    vector-effect: non-scaling-stroke;
  }
  .pressed {
    fill: rgb(67 87 44 / 0.08);
    stroke: #43572c;
    stroke-dasharray: 2 4;
    stroke-width: 1;
  }
  .lifted {
    fill: rgb(194 87 26 / 0.3);
    stroke: var(--color-signal-500);
    stroke-dasharray: none;
    stroke-width: 3;
  }
  .next {
    fill: rgb(194 87 26 / 0.22);
    stroke-width: 4;
  }
  .label {
    fill: #1b2429;
    font-weight: 700;
    font-size: 14px;
    paint-order: stroke;
    stroke: #fbf8ef;
    stroke-width: 3px;
  }
  .near {
    font-size: 26px;
  }
  .faded {
    font-size: 12px;
    fill-opacity: 0.75;
  }
</style>
