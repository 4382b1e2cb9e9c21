<script lang="ts">
  import type { Picture, Unit } from '../api/client';
  import { showLength } from '../units';
  import type { Ground, Layer } from './layers';
  import Pane, { type Look, type View } from './Pane.svelte';

  interface Props extends Look {
    picture: Picture;
    unit: Unit;
    /** What lies on the blank, from below upwards. */
    layers: Layer[];
    /** What must find room beside the blank: what is painted, or all of the mask. */
    room?: 'print' | 'mask';
    /** Whether it is shown as it lies before the maker, turned over where it is worked from its back. */
    back?: boolean;
    /** Number of the mask that is shown. */
    mask?: number;
    /** A place that stays in view when the scale changes, mm. */
    focus?: [number, number] | null;
  }
  const { picture, unit, layers, room = 'print', back = false, mask: shown = 1, ...look }: Props = $props();

  const box = $derived.by(() => {
    const [x0, y0, x1, y1] = room === 'mask' ? picture.mask_box : picture.painted_box;
    const low = [Math.min(0, x0), Math.min(0, y0)] as const;
    return {
      x: low[0],
      y: low[1],
      w: Math.max(picture.width, x1) - low[0],
      h: Math.max(picture.height, y1) - low[1],
    };
  });
  const mask = $derived(picture.masks.find((one) => one.number === shown) ?? picture.masks[0]);
  const turned = $derived(back && picture.from_back);
  function groundAt(scale: number): Ground {
    const px = (mm: number) => mm * scale;
    return {
      picture,
      unit,
      scale,
      mask,
      turned,
      px,
      ax: (mm) => px(turned ? picture.width - mm : mm),
      carry: turned ? `translate(${px(picture.width)}) scale(${-scale} ${scale})` : `scale(${scale})`,
    };
  }
</script>

<Pane
  label="The blank at true scale, {showLength(picture.width, unit)} by {showLength(picture.height, unit)}"
  {box}
  {unit}
  rules={[picture.width, picture.height]}
  {...look}
>
  {#snippet children({ scale, left, top }: View)}
    {@const ground = groundAt(scale)}
    <defs>
      <pattern
        id="ground"
        width={50 * scale}
        height={50 * scale}
        patternUnits="userSpaceOnUse"
        x={left}
        y={top}
      >
        <path class="ground-line" d="M{50 * scale} 0H0V{50 * scale}" />
      </pattern>
      <pattern
        id="tie"
        width="5"
        height="5"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45) scale({1 / scale})"
      >
        <rect class="tie" width="5" height="5" /><path class="tie-line" d="M0 0V5" />
      </pattern>
    </defs>
    <rect fill="url(#ground)" width="100%" height="100%" />
    <g transform="translate({left} {top})">
      <g transform={ground.carry}>
        {#if picture.rim}
          <path class="rim" d={picture.outline} stroke-width={2 * picture.rim} />
        {/if}
        <path class="blank" fill={picture.blank_colour} d={picture.outline} />
        {#if picture.base}<path fill={picture.base_colour} d={picture.base} />{/if}
      </g>
      {#each layers as { of: Drawn, props }, index (index)}<Drawn {ground} {...props} />{/each}
    </g>
  {/snippet}
</Pane>

<style>
  .ground-line {
    fill: none;
    stroke: var(--ground-line);
    stroke-width: 1;
  }
  .blank {
    stroke: rgb(0 0 0 / 0.35);
    stroke-width: 1;
    vector-effect: non-scaling-stroke;
  }
  .rim {
    fill: none;
    stroke: #4f4a40;
    stroke-linejoin: round;
  }
  .tie {
    fill: #f6d9b8;
  }
  .tie-line {
    stroke: var(--color-signal-500);
    stroke-width: 3;
  }
</style>
