<script lang="ts">
  import { SvelteMap } from 'svelte/reactivity';
  import type { Picture, Unit } from '../api/client';
  import { showLength } from '../units';
  import type { Ground, Layer } from './layers';
  import Rule from './Rule.svelte';

  interface Props {
    picture: Picture;
    unit: Unit;
    /** What lies on the blank, from below upwards. */
    layers: Layer[];
    /** What must find room beside the blank: what is painted, or all of the mask. */
    room?: 'print' | 'mask';
    /** Whether it is shown as it lies before the maker, turned over where it is worked from its back. */
    back?: boolean;
    lifeSize?: boolean;
    /** How many times larger than what fits. */
    zoom?: number;
    /** A wheel or two fingers ask for another zoom. */
    onzoom?: (zoom: number) => void;
    /** px to a mm of this screen, where it was measured; as browsers take it where it was not. */
    lifePx?: number;
    /** Number of the mask that is shown. */
    mask?: number;
    /** A place that stays in view when the scale changes, mm. */
    focus?: [number, number] | null;
  }
  const {
    picture,
    unit,
    layers,
    room = 'print',
    back = false,
    lifeSize = false,
    zoom = 1,
    onzoom,
    lifePx = 96 / 25.4,
    mask: shown = 1,
    focus = null,
  }: Props = $props();

  const RULE = 44;
  const EDGE = 14;
  const WHEEL = 0.0015;
  /** How deep the rules at the pane's edges are, px. */
  const STRIP = 28;
  const UPRIGHT = 38;

  let roomWide = $state(800);
  let roomHigh = $state(600);

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
  const scale = $derived(
    lifeSize
      ? lifePx
      : zoom * Math.max(0.05, Math.min((roomWide - RULE - EDGE) / box.w, (roomHigh - RULE - EDGE) / box.h)),
  );
  const scrolls = $derived(lifeSize || zoom > 1);
  const mask = $derived(picture.masks.find((one) => one.number === shown) ?? picture.masks[0]);
  const wide = $derived(RULE + box.w * scale + EDGE);
  const high = $derived(RULE + box.h * scale + EDGE);
  const left = $derived((scrolls ? RULE : Math.max(RULE, (roomWide - box.w * scale) / 2)) - box.x * scale);
  const top = $derived((scrolls ? RULE : Math.max(RULE, (roomHigh - box.h * scale) / 2)) - box.y * scale);
  const px = (mm: number) => mm * scale;

  let frame = $state<HTMLDivElement>();
  /** What of the ground is in the middle of the view, mm, so that it stays there when the scale changes. */
  let middle = { x: NaN, y: NaN };
  let scrolled = $state({ x: 0, y: 0 });
  /** What a wheel or fingers hold on to: a place on the ground, mm, and where in the view it stays. */
  let anchor: { x: number; y: number; ox: number; oy: number } | null = null;
  function keep(): void {
    if (!frame) return;
    scrolled = { x: frame.scrollLeft, y: frame.scrollTop };
    middle = {
      x: (frame.scrollLeft + frame.clientWidth / 2 - left) / scale,
      y: (frame.scrollTop + frame.clientHeight / 2 - top) / scale,
    };
  }
  $effect(() => {
    if (!frame) return;
    if (!scrolls) {
      scrolled = { x: 0, y: 0 };
      return;
    }
    if (anchor) {
      const { x, y, ox, oy } = anchor;
      anchor = null;
      frame.scrollTo({ left: left + px(x) - ox, top: top + px(y) - oy });
      return;
    }
    const [x, y] = focus ?? [
      Number.isNaN(middle.x) ? box.x + box.w / 2 : middle.x,
      Number.isNaN(middle.y) ? box.y + box.h / 2 : middle.y,
    ];
    frame.scrollTo({ left: left + px(x) - frame.clientWidth / 2, top: top + px(y) - frame.clientHeight / 2 });
  });

  /** Zoom so that the place under a point of the view stays there. */
  function zoomAt(clientX: number, clientY: number, to: number): void {
    if (!frame || !onzoom || lifeSize) return;
    const seen = frame.getBoundingClientRect();
    const [ox, oy] = [clientX - seen.left, clientY - seen.top];
    anchor = { x: (frame.scrollLeft + ox - left) / scale, y: (frame.scrollTop + oy - top) / scale, ox, oy };
    onzoom(to);
  }

  const wheel = (event: WheelEvent): void => {
    if (!onzoom || lifeSize) return;
    event.preventDefault();
    zoomAt(event.clientX, event.clientY, zoom * Math.exp(-event.deltaY * WHEEL));
  };
  /** Wheels scroll the page unless they are stopped, which only a listener that says so may. */
  const listens = (pane: HTMLElement) => {
    pane.addEventListener('wheel', wheel, { passive: false });
    return () => pane.removeEventListener('wheel', wheel);
  };

  /** Fingers or the mouse on the ground, by their number; two of them pinch, one drags. */
  const held = new SvelteMap<number, { x: number; y: number }>();
  const spreadOf = (): number => {
    const [a, b] = [...held.values()];
    return a && b ? Math.hypot(a.x - b.x, a.y - b.y) : 0;
  };
  function down(event: PointerEvent): void {
    if (event.button !== 0 || (event.target as Element).closest('[role=button], button, input')) return;
    held.set(event.pointerId, { x: event.clientX, y: event.clientY });
  }
  function move(event: PointerEvent): void {
    const from = held.get(event.pointerId);
    if (!from || !frame) return;
    const before = spreadOf();
    held.set(event.pointerId, { x: event.clientX, y: event.clientY });
    if (held.size === 2 && before > 0) {
      const [a, b] = [...held.values()];
      if (a && b) zoomAt((a.x + b.x) / 2, (a.y + b.y) / 2, (zoom * spreadOf()) / before);
    } else if (held.size === 1 && scrolls && event.pointerType === 'mouse') {
      frame.scrollBy(from.x - event.clientX, from.y - event.clientY);
    }
  }
  const up = (event: PointerEvent): void => void held.delete(event.pointerId);

  const turned = $derived(back && picture.from_back);
  const ground = $derived<Ground>({
    picture,
    unit,
    scale,
    mask,
    turned,
    px,
    ax: (mm) => px(turned ? picture.width - mm : mm),
    carry: turned ? `translate(${px(picture.width)}) scale(${-scale} ${scale})` : `scale(${scale})`,
  });
</script>

<div
  role="presentation"
  class="frame"
  {@attach listens}
  onpointerdown={down}
  onpointermove={move}
  onpointerup={up}
  onpointercancel={up}
  onpointerleave={up}
  class:scrolls
  bind:this={frame}
  onscroll={keep}
  bind:clientWidth={roomWide}
  bind:clientHeight={roomHigh}
>
  <svg
    width={scrolls ? wide : roomWide}
    height={scrolls ? high : roomHigh}
    role="group"
    aria-label="The blank at true scale, {showLength(picture.width, unit)} by {showLength(
      picture.height,
      unit,
    )}"
  >
    <defs>
      <pattern id="ground" width={px(50)} height={px(50)} patternUnits="userSpaceOnUse" x={left} y={top}>
        <path class="ground-line" d="M{px(50)} 0H0V{px(50)}" />
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
    <rect class="ground" width="100%" height="100%" />
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
  </svg>
</div>
<!-- The rules stay at the edges of the pane, wherever the picture is scrolled to. -->
<svg class="rules" width={roomWide} height={roomHigh} aria-hidden="true">
  <rect class="strip" width={roomWide} height={STRIP} />
  <g transform="translate({left - scrolled.x} {STRIP})"><Rule length={picture.width} {scale} {unit} /></g>
  <rect class="strip" y={STRIP} width={UPRIGHT} height={roomHigh} />
  <g transform="translate({UPRIGHT} {top - scrolled.y})"
    ><Rule length={picture.height} {scale} {unit} upright /></g
  >
  <rect class="strip" width={UPRIGHT} height={STRIP} />
  <text x={UPRIGHT - 4} y={STRIP - 8} text-anchor="end">{unit}</text>
</svg>

<style>
  .frame {
    width: 100%;
    height: 100%;
    overflow: hidden;
  }
  .scrolls {
    overflow: auto;
  }
  svg {
    display: block;
  }
  .frame {
    touch-action: pan-x pan-y;
  }
  .scrolls {
    cursor: grab;
  }
  .rules {
    position: absolute;
    inset: 0;
    pointer-events: none;
  }
  .strip {
    fill: var(--sheet);
  }
  .rules text {
    fill: var(--faint);
    font-size: 12px;
  }
  .ground {
    fill: var(--ground);
  }
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
