<script lang="ts">
  import type { PlacedPatch, Sheet } from '../../lib/api/client';
  import Pane, { type View } from '../../lib/picture/Pane.svelte';
  import { settings } from '../../lib/settings.svelte';
  import type { StageProps } from '../station';
  import { laidOut, matAt, type Mat } from './mats';

  const { open, job, look }: StageProps = $props();

  const unit = $derived(settings.unit);

  /** px that the buttons on the picture's foot and the last mat's name take. */
  const FOOT = 78;
  /** The margin beside the material, mm as drawn. */
  const GRIP = 9;
  /** Numbers nearer than this run into each other, px. */
  const APART = 17;
  let wide = $state(0);
  let high = $state(0);
  let held = $state<{
    patch: PlacedPatch;
    sheet: number;
    x: number;
    y: number;
    dx: number;
    dy: number;
  } | null>(null);

  const sheets = $derived(job.sheets?.sheets ?? []);
  const reach = $derived(job.sheets?.reach ?? ([0, 0] as [number, number]));
  const ratio = $derived(wide && high ? wide / high : 1.2);
  /** Rows as wide as fill the window best. */
  const mats = $derived.by(() => {
    let best: Mat[] = [];
    let least = Infinity;
    for (let across = 1; across <= Math.min(sheets.length, 8); across++) {
      const widest = across * (Math.max(reach[0], ...sheets.map((s) => s.width)) + 24);
      const tried = laidOut(sheets, reach, widest);
      const [w, h] = extent(tried);
      const needed = Math.max(w, h * ratio);
      if (needed < least) [best, least] = [tried, needed];
    }
    return best;
  });
  const extent = (of: Mat[]): [number, number] => [
    Math.max(1, ...of.map((mat) => mat.x + mat.width)),
    Math.max(1, ...of.map((mat) => mat.y + mat.height)),
  ];
  const size = $derived(extent(mats));
  const box = $derived({ x: -GRIP, y: -GRIP, w: size[0] + 2 * GRIP, h: size[1] + 2 * GRIP });

  /** Where a pointer is on the mats, mm. */
  function pointOf(event: PointerEvent): [number, number] {
    const drawn = (event.currentTarget as SVGElement).ownerSVGElement?.querySelector<SVGGElement>('.mats');
    const toScreen = drawn?.getScreenCTM();
    if (!toScreen) return [0, 0];
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(toScreen.inverse());
    return [x, y];
  }

  function take(event: PointerEvent, patch: PlacedPatch, sheet: number): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    const [x, y] = pointOf(event);
    held = { patch, sheet, x, y, dx: 0, dy: 0 };
  }

  function drag(event: PointerEvent): void {
    if (!held) return;
    const [x, y] = pointOf(event);
    held = { ...held, dx: x - held.x, dy: y - held.y };
  }

  function put(event: PointerEvent): void {
    if (!held) return;
    const { patch, sheet } = held;
    const to = matAt(mats, ...pointOf(event));
    held = null;
    if (to !== sheet) lay(patch, to);
  }

  function lay(patch: PlacedPatch, sheet: number): void {
    if (sheet < 1) return;
    void open.choosePatch(patch.number, { sheet, alone: patch.alone, turns: patch.turns });
  }

  function keyed(event: KeyboardEvent, patch: PlacedPatch, sheet: number): void {
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    lay(patch, sheet + by);
  }

  /** The cuts that are numbered, each with its place in the order: those whose numbers have room. */
  function numbered(sheet: Sheet, scale: number): [number, [number, number]][] {
    const found: [number, [number, number]][] = [];
    sheet.entries.forEach(([x, y], index) => {
      const crowded = found.some(([, [u, v]]) => Math.hypot(u - x, v - y) * scale < APART);
      if (!crowded) found.push([index + 1, [x, y]]);
    });
    return found;
  }
  /** From cut to cut, with the knife lifted. */
  const wayOf = (sheet: Sheet): string => sheet.entries.map(([x, y]) => `${x} ${y}`).join('L');
  const words = (patch: PlacedPatch, sheet: number) =>
    `Patch ${patch.id} on sheet ${sheet}${patch.turned ? ', turned' : ''}${
      sheets[0]?.mirrored ? ', mirrored' : ''
    }. Arrow keys lay it on another sheet.`;
</script>

<div class="h-full w-full" bind:clientWidth={wide} bind:clientHeight={high}>
  <Pane label="Sheets on the cutting mat" {box} {unit} rules={size} foot={FOOT} {...look}>
    {#snippet children({ scale, left, top }: View)}
      <g class="mats" transform="translate({left} {top}) scale({scale})">
        {#each mats as mat, index (mat.number)}
          {@const sheet = sheets[index]}
          <g transform="translate({mat.x} {mat.y})">
            <!-- As it is loaded: the edge that goes in first lies below, on the line the knife runs along. -->
            <rect
              class="mat"
              x={-GRIP}
              y={-GRIP}
              width={mat.width + 2 * GRIP}
              height={mat.height + 2 * GRIP}
            />
            <rect class="reach" width={mat.width} height={mat.height} />
            <path class="knife" d="M{-2 * GRIP} {mat.height}h{mat.width + 4 * GRIP}" />
            <path class="feed" d="M{mat.width + GRIP * 1.2} {mat.height - 22}v14h-4l6 8 6-8h-4v-14z" />
            <g transform="translate(0 {sheet ? mat.height - sheet.height : 0})">
              {#each sheet?.patches ?? [] as patch (patch.id)}
                {@const [x0, y0, x1, y1] = patch.box}
                <g
                  class="patch"
                  class:held={held?.patch === patch}
                  class:said={patch.chosen_sheet !== null}
                  role="button"
                  tabindex="0"
                  aria-label={words(patch, mat.number)}
                  transform={held?.patch === patch ? `translate(${held.dx} ${held.dy})` : undefined}
                  onpointerdown={(event) => take(event, patch, mat.number)}
                  onpointermove={drag}
                  onpointerup={put}
                  onpointercancel={() => (held = null)}
                  onkeydown={(event) => keyed(event, patch, mat.number)}
                >
                  <rect class="hold" x={x0} y={y0} width={x1 - x0} height={y1 - y0} />
                  <path d={patch.path} fill={job.picture.mask_colour} fill-rule="evenodd" />
                  <text
                    class="name"
                    x={(x0 + x1) / 2}
                    y={(y0 + y1) / 2 + 8 / scale}
                    font-size={Math.max(22 / scale, 4)}
                    stroke-width={5 / scale}>{patch.id}{patch.turned ? ' ↻' : ''}</text
                  >
                </g>
              {/each}
              {#if sheet}
                <path class="way" d="M{wayOf(sheet)}" />
                {#each numbered(sheet, scale) as [nth, [x, y]] (nth)}
                  <circle class="entry" cx={x} cy={y} r={2.2 / scale} />
                  <text
                    class="nth"
                    x={x + 4 / scale}
                    y={y - 4 / scale}
                    font-size={11 / scale}
                    stroke-width={3 / scale}>{nth}</text
                  >
                {/each}
              {/if}
            </g>
            <text class="caption" x="0" y={mat.height + GRIP + 15 / scale} font-size={13 / scale}>
              Sheet {mat.number}{sheet && sheet.runs > 1 ? `, ${sheet.runs} times` : ''}{sheet?.mirrored
                ? ', mirrored'
                : ', not mirrored'}
            </text>
            <text x="0" y={mat.height + GRIP + 30 / scale} font-size={12 / scale} fill="var(--ink)">
              This edge goes in first
            </text>
          </g>
        {/each}
      </g>
    {/snippet}
  </Pane>
</div>

<style>
  .caption {
    fill: var(--ink);
    font-weight: 700;
  }
  .mat {
    fill: var(--mat);
    stroke: var(--mat-line);
    stroke-width: 1.5px;
    vector-effect: non-scaling-stroke;
  }
  .reach {
    fill: none;
    stroke-width: 1px;
    vector-effect: non-scaling-stroke;
    stroke: var(--faint);
    stroke-dasharray: 7 5;
  }
  .feed {
    fill: var(--faint);
  }
  .knife {
    stroke: var(--signal);
    stroke-width: 3px;
    vector-effect: non-scaling-stroke;
  }
  .way {
    fill: none;
    stroke: var(--signal);
    stroke-width: 1px;
    stroke-dasharray: 2 4;
    vector-effect: non-scaling-stroke;
    pointer-events: none;
  }
  .entry {
    fill: var(--signal);
    pointer-events: none;
  }
  .nth {
    fill: #1b2429;
    stroke: #fbf8ef;
    paint-order: stroke;
    pointer-events: none;
  }
  .patch {
    cursor: grab;
    touch-action: none;
  }
  .patch path {
    stroke: #1b2429;
    stroke-width: 1px;
    vector-effect: non-scaling-stroke;
  }
  .hold {
    fill: transparent;
    stroke: transparent;
    stroke-width: 3px;
    vector-effect: non-scaling-stroke;
  }
  .said .hold {
    stroke: var(--signal);
    stroke-dasharray: 6 4;
  }
  .patch:focus-visible {
    outline: none;
  }
  .patch:focus-visible .hold {
    stroke: var(--signal);
  }
  .held {
    opacity: 0.75;
    cursor: grabbing;
  }
  .name {
    fill: #1b2429;
    stroke: #fbf8ef;
    paint-order: stroke;
    text-anchor: middle;
    font-family: var(--font-stamp);
    pointer-events: none;
  }
</style>
