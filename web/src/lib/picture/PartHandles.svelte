<script lang="ts">
  import type { Part, Picture } from '../api/client';
  import type { Ground } from './layers';
  import { snap } from './snap';

  interface Props {
    ground: Ground;
    parts: Part[];
    part: number | null;
    others: number[];
    onpart: (id: number, more: boolean) => void;
    onmove: (id: number, x: number, y: number) => void;
  }
  const { ground, parts, part, others, onpart, onmove }: Props = $props();

  const REACH_PX = 7;
  const STILL_PX = 3;
  let held = $state<{ id: number; x: number; y: number; dx: number; dy: number } | null>(null);
  const picture = $derived(ground.picture);
  const scale = $derived(ground.scale);
  const px = $derived(ground.px);

  const moved = $derived.by(() => {
    const grip = held;
    const taken = parts.find((candidate) => candidate.id === grip?.id);
    if (!grip || !taken) return null;
    const others = (lines: Picture['guides_x']) => lines.filter((line) => line.element !== taken.id);
    const [x0, y0, x1, y1] = taken.box;
    const reach = REACH_PX / scale;
    return {
      part: taken,
      x: snap(x0, x1, grip.dx, others(picture.guides_x), reach),
      y: snap(y0, y1, grip.dy, others(picture.guides_y), reach),
    };
  });

  function take(event: PointerEvent, id: number): void {
    if (event.button !== 0) return;
    onpart(id, event.shiftKey);
    if (parts.find((candidate) => candidate.id === id)?.kind === 'frame') return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    held = { id, x: event.clientX, y: event.clientY, dx: 0, dy: 0 };
  }

  function drag(event: PointerEvent): void {
    if (!held) return;
    const [across, down] = [event.clientX - held.x, event.clientY - held.y];
    const still = Math.hypot(across, down) < STILL_PX && !held.dx && !held.dy;
    held = { ...held, dx: still ? 0 : across / scale, dy: still ? 0 : down / scale };
  }

  function release(): void {
    if (moved && (held?.dx || held?.dy)) {
      const { part: taken, x, y } = moved;
      onmove(taken.id, taken.x + x.by, taken.y + y.by);
    }
    held = null;
  }
</script>

{#each parts as candidate (candidate.id)}
  <path
    class="grip"
    class:frame={candidate.kind === 'frame'}
    role="button"
    tabindex="0"
    aria-label="{candidate.name}, part of the design"
    aria-pressed={candidate.id === part || others.includes(candidate.id)}
    d={candidate.path}
    fill-rule="evenodd"
    transform="scale({scale})"
    onpointerdown={(event) => take(event, candidate.id)}
    onpointermove={drag}
    onpointerup={release}
    onpointercancel={() => (held = null)}
    onfocus={(event) => event.currentTarget.matches(':focus-visible') && onpart(candidate.id, false)}
  />
  {#if (candidate.id === part || others.includes(candidate.id)) && candidate.kind !== 'frame'}
    <polygon class="box" points={candidate.corners.map(([x, y]) => `${px(x)},${px(y)}`).join(' ')} />
  {/if}
{/each}
{#if moved && (held?.dx || held?.dy)}
  <path
    class="moving"
    d={moved.part.path}
    fill-rule="evenodd"
    transform="scale({scale}) translate({moved.x.by} {moved.y.by})"
  />
  {#if moved.x.line !== null}
    <path class="line" d="M{px(moved.x.line)} 0V{px(picture.height)}" />
  {/if}
  {#if moved.y.line !== null}
    <path class="line" d="M0 {px(moved.y.line)}H{px(picture.width)}" />
  {/if}
{/if}

<style>
  .grip {
    fill: transparent;
    cursor: grab;
    touch-action: none;
  }
  .grip.frame {
    cursor: pointer;
  }
  .grip:hover {
    fill: rgb(255 255 255 / 0.12);
  }
  .grip:focus-visible {
    outline: none;
    stroke: var(--color-signal-500);
    stroke-width: 3;
    vector-effect: non-scaling-stroke;
  }
  .box {
    fill: none;
    stroke: var(--color-signal-500);
    stroke-width: 2;
    stroke-dasharray: 6 3;
    pointer-events: none;
  }
  .moving {
    fill: rgb(194 87 26 / 0.45);
    pointer-events: none;
  }
  .line {
    stroke: var(--color-signal-500);
    stroke-width: 1.5;
    pointer-events: none;
  }
</style>
