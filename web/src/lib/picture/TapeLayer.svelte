<script lang="ts">
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
  }
  const { ground }: Props = $props();

  const picture = $derived(ground.picture);
  const px = $derived(ground.px);
  const mask = $derived(ground.mask);
  const flip = (mm: number) => (ground.turned ? picture.width - mm : mm);
  /** What is painted through the mask that is shown: what a tape is laid to. */
  const painted = $derived.by(() => {
    const [x0, y0, x1, y1] = mask?.painted_box ?? picture.painted_box;
    return ground.turned ? ([flip(x1), y0, flip(x0), y1] as const) : ([x0, y0, x1, y1] as const);
  });
  const across = $derived((painted[1] + painted[3]) / 2);
  const down = $derived((painted[0] + painted[2]) / 2);
  const tape = $derived(mask?.distances[0]);
  /** Where the tape begins: at the blank's edges, or at its middle, or at the collar and the centre line. */
  const from = $derived.by(() => {
    const { width, height, collar } = picture;
    if (mask?.datum === 'middle') {
      return { left: width / 2, right: width / 2, top: height / 2, bottom: height / 2, inner: true };
    }
    if (mask?.datum === 'collar' && collar) {
      const [x, y] = collar.at;
      return { left: flip(x), right: flip(x), top: y, bottom: height, inner: true };
    }
    return { left: 0, right: width, top: 0, bottom: height, inner: false };
  });
  /** What is marked beforehand: a cross through the middle, or the centre line below the collar. */
  const marked = $derived(
    mask?.datum === 'middle'
      ? `M${px(from.left)} 0V${px(picture.height)}M0 ${px(from.top)}H${px(picture.width)}`
      : `M${px(from.left)} ${px(from.top)}V${px(picture.height)}M${px(from.left) - 20} ${px(from.top)}h40`,
  );
</script>

<g class="tape" aria-hidden="true">
  {#if from.inner}<path class="mark" d={marked} />{/if}
  <path
    d="M{px(from.left)} {px(across)}H{px(painted[0])}M{px(painted[2])} {px(across)}H{px(from.right)}M{px(
      down,
    )} {px(from.top)}V{px(painted[1])}M{px(down)} {px(painted[3])}V{px(from.bottom)}"
  />
  {#if tape}
    <text class="label" x={px((from.left + painted[0]) / 2)} y={px(across) - 5} text-anchor="middle"
      >{tape.reads.left}</text
    >
    <text class="label" x={px((from.right + painted[2]) / 2)} y={px(across) - 5} text-anchor="middle"
      >{tape.reads.right}</text
    >
    <text class="label" x={px(down) + 5} y={px((from.top + painted[1]) / 2) + 5}>{tape.reads.top}</text>
    <text class="label" x={px(down) + 5} y={px((painted[3] + from.bottom) / 2) + 5}>{tape.reads.bottom}</text>
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
  .tape .mark {
    stroke: #1b2429;
    stroke-width: 1.2;
    stroke-dasharray: 10 4 2 4;
  }
</style>
