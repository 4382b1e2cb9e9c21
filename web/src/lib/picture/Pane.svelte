<script lang="ts" module>
  /** How closely a picture is looked at. */
  export interface Look {
    lifeSize?: boolean;
    /** px to a mm of this screen, where it was measured; as browsers take it where it was not. */
    lifePx?: number;
    /** How many times larger than what fits. */
    zoom?: number;
    /** A wheel or two fingers ask for another zoom. */
    onzoom?: (zoom: number) => void;
  }

  /** Where the ground lies in the picture: px a mm, and px to its zero. */
  export interface View {
    scale: number;
    left: number;
    top: number;
  }
</script>

<script lang="ts">
  import type { Snippet } from 'svelte';
  import { SvelteMap } from 'svelte/reactivity';
  import type { Unit } from '../api/client';
  import Rule from './Rule.svelte';

  interface Props extends Look {
    /** What it is, for screen readers. */
    label: string;
    /** What must be seen when nothing is magnified, mm. */
    box: { x: number; y: number; w: number; h: number };
    unit: Unit;
    /** mm that the rules at the edges reach from zero, across and down; without it there are none. */
    rules?: readonly [number, number];
    /** px at the foot that something else stands on. */
    foot?: number;
    /** A place that stays in view when the scale changes, mm. */
    focus?: [number, number] | null;
    children: Snippet<[View]>;
  }
  const {
    label,
    box,
    unit,
    rules,
    foot = 0,
    lifeSize = false,
    lifePx = 96 / 25.4,
    zoom = 1,
    onzoom,
    focus = null,
    children,
  }: Props = $props();

  const margin = $derived(rules ? 44 : 4);
  const edge = $derived(rules ? 14 : 4);
  const WHEEL = 0.0015;
  /** How deep the rules at the pane's edges are, px. */
  const STRIP = 28;
  const UPRIGHT = 38;

  let roomWide = $state(800);
  let roomHigh = $state(600);

  const scale = $derived(
    lifeSize
      ? lifePx
      : zoom *
          Math.max(
            0.05,
            Math.min((roomWide - margin - edge) / box.w, (roomHigh - margin - edge - foot) / box.h),
          ),
  );
  const scrolls = $derived(lifeSize || zoom > 1);
  const wide = $derived(margin + box.w * scale + edge);
  const high = $derived(margin + box.h * scale + edge + foot);
  const left = $derived(
    (scrolls ? margin : Math.max(margin, (roomWide - box.w * scale) / 2)) - box.x * scale,
  );
  const top = $derived(
    (scrolls ? margin : Math.max(margin, (roomHigh - foot - box.h * scale) / 2)) - box.y * scale,
  );

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
      frame.scrollTo({ left: left + x * scale - ox, top: top + y * scale - oy });
      return;
    }
    const [x, y] = focus ?? [
      Number.isNaN(middle.x) ? box.x + box.w / 2 : middle.x,
      Number.isNaN(middle.y) ? box.y + box.h / 2 : middle.y,
    ];
    frame.scrollTo({
      left: left + x * scale - frame.clientWidth / 2,
      top: top + y * scale - frame.clientHeight / 2,
    });
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
  <svg width={scrolls ? wide : roomWide} height={scrolls ? high : roomHigh} role="group" aria-label={label}>
    <rect class="ground" width="100%" height="100%" />
    {@render children({ scale, left, top })}
  </svg>
</div>
{#if rules}
  <!-- The rules stay at the edges of the pane, wherever the picture is scrolled to. -->
  <svg class="rules" width={roomWide} height={roomHigh} aria-hidden="true">
    <rect class="strip" width={roomWide} height={STRIP} />
    <g transform="translate({left - scrolled.x} {STRIP})"><Rule length={rules[0]} {scale} {unit} /></g>
    <rect class="strip" y={STRIP} width={UPRIGHT} height={roomHigh} />
    <g transform="translate({UPRIGHT} {top - scrolled.y})"
      ><Rule length={rules[1]} {scale} {unit} upright /></g
    >
    <rect class="strip" width={UPRIGHT} height={STRIP} />
    <text x={UPRIGHT - 4} y={STRIP - 8} text-anchor="end">{unit}</text>
  </svg>
{/if}

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
</style>
