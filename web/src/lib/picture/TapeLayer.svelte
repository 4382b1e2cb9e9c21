<script lang="ts">
  import { showLength } from '../units';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
  }
  const { ground }: Props = $props();

  const picture = $derived(ground.picture);
  const px = $derived(ground.px);
  const show = (mm: number) => showLength(mm, ground.unit);
  const flip = (mm: number) => (ground.turned ? picture.width - mm : mm);
  /** What is painted through the mask that is shown: what a tape is laid to. */
  const painted = $derived.by(() => {
    const [x0, y0, x1, y1] = ground.mask?.painted_box ?? picture.painted_box;
    return ground.turned ? ([flip(x1), y0, flip(x0), y1] as const) : ([x0, y0, x1, y1] as const);
  });
  const across = $derived((painted[1] + painted[3]) / 2);
  const down = $derived((painted[0] + painted[2]) / 2);
</script>

<g class="tape" aria-hidden="true">
  <path
    d="M0 {px(across)}H{px(painted[0])}M{px(painted[2])} {px(across)}H{px(picture.width)}M{px(down)} 0V{px(
      painted[1],
    )}M{px(down)} {px(painted[3])}V{px(picture.height)}"
  />
  {#if ground.mask}
    {@const { left, right, top, bottom } = ground.mask.tape}
    <text class="label" x={px(painted[0] / 2)} y={px(across) - 5}>{show(left)}</text>
    <text class="label" x={px(picture.width) - 4} y={px(across) - 5} text-anchor="end">{show(right)}</text>
    <text class="label" x={px(down) + 5} y={px(painted[1] / 2) + 5}>{show(top)}</text>
    <text class="label" x={px(down) + 5} y={px((painted[3] + picture.height) / 2) + 5}>{show(bottom)}</text>
  {/if}
</g>

<style>
  .label {
    fill: #1b2429;
    font-weight: 700;
    font-size: 13px;
    paint-order: stroke;
    stroke: #fbf8ef;
    stroke-width: 3px;
  }
  .tape path {
    fill: none;
    stroke: var(--color-signal-500);
    stroke-width: 2;
    stroke-dasharray: 2 3;
  }
</style>
