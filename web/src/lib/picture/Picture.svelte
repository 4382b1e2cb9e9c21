<script lang="ts">
  import type {
    Bridge,
    BridgeMove,
    Finding,
    Part,
    Picture,
    Piece,
    Sheets,
    Unit,
    WeakPlace,
  } from '../api/client';
  import { showLength } from '../units';
  import type { Layers } from './layers';
  import BridgeHandles from './BridgeHandles.svelte';
  import MaskLayer from './MaskLayer.svelte';
  import PartHandles from './PartHandles.svelte';
  import PieceMark from './PieceMark.svelte';
  import Rule from './Rule.svelte';
  import { spread } from './spread';
  import WeakMarks from './WeakMarks.svelte';

  interface Props {
    picture: Picture;
    pieces: Piece[];
    findings: Finding[];
    unit: Unit;
    layers: Layers;
    /** Numbers of the pieces that answered the roll-call that is on; null when none is. */
    present?: number[] | null;
    lifeSize?: boolean;
    /** How many times larger than what fits. */
    zoom?: number;
    /** Number of the mask that is shown. */
    mask?: number;
    weak?: WeakPlace[];
    /** Where patches meet, with the marks to measure between. */
    seams?: Sheets['seams'];
    /** How much of the mask is peeled back from the left, 0 to 1: the print is seen there. */
    peeled?: number;
    /** A bridge in the hand, as it would stand. */
    hand?: Bridge | null;
    ongrip?: (held: boolean) => void;
    ondrag?: (move: BridgeMove) => void;
    onput?: (move: BridgeMove) => void;
    selected?: number | null;
    onselect?: (number: number) => void;
    parts?: Part[];
    /** Number of the part of the design that is chosen. */
    part?: number | null;
    others?: number[];
    onpart?: (id: number, more: boolean) => void;
    onmove?: (id: number, x: number, y: number) => void;
    /** Key of the finding that is looked at. */
    finding?: string | null;
    /** A place that is pointed at. */
    spot?: [number, number] | null;
  }
  const {
    picture,
    pieces,
    findings,
    unit,
    layers,
    present = null,
    lifeSize = false,
    zoom = 1,
    mask: shown = 1,
    weak = [],
    seams = [],
    peeled = 0,
    hand = null,
    ongrip,
    ondrag,
    onput,
    selected = null,
    onselect,
    parts = [],
    part = null,
    others = [],
    onpart,
    onmove,
    finding: lookedAt = null,
    spot = null,
  }: Props = $props();

  const RULE = 44;
  const EDGE = 14;
  const LIFE = 96 / 25.4;

  let roomWide = $state(800);
  let roomHigh = $state(600);

  const box = $derived.by(() => {
    const [x0, y0, x1, y1] = layers.mask || layers.patches ? picture.mask_box : picture.painted_box;
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
      ? LIFE
      : zoom * Math.max(0.05, Math.min((roomWide - RULE - EDGE) / box.w, (roomHigh - RULE - EDGE) / box.h)),
  );
  const scrolls = $derived(lifeSize || zoom > 1);
  const mask = $derived(picture.masks.find((one) => one.number === shown) ?? picture.masks[0]);
  const own = $derived(pieces.filter((piece) => piece.mask === shown));
  const peeledTo = $derived(mask ? mask.box[0] + peeled * (mask.box[2] - mask.box[0]) : 0);
  const marked = $derived(
    weak.filter((place) => place.mask === shown && (layers.weak === 'all' || place.kind === 'tongue')),
  );
  const wide = $derived(RULE + box.w * scale + EDGE);
  const high = $derived(RULE + box.h * scale + EDGE);
  const left = $derived((scrolls ? RULE : Math.max(RULE, (roomWide - box.w * scale) / 2)) - box.x * scale);
  const top = $derived((scrolls ? RULE : Math.max(RULE, (roomHigh - box.h * scale) / 2)) - box.y * scale);
  const px = (mm: number) => mm * scale;

  let frame = $state<HTMLDivElement>();
  /** What of the ground is in the middle of the view, mm, so that it stays there when the scale changes. */
  let middle = { x: NaN, y: NaN };
  function keep(): void {
    if (!frame) return;
    middle = {
      x: (frame.scrollLeft + frame.clientWidth / 2 - left) / scale,
      y: (frame.scrollTop + frame.clientHeight / 2 - top) / scale,
    };
  }
  $effect(() => {
    if (!frame || !scrolls) return;
    const chosen = pieces.find((piece) => piece.number === selected)?.anchor;
    const [x, y] = chosen ?? [
      Number.isNaN(middle.x) ? box.x + box.w / 2 : middle.x,
      Number.isNaN(middle.y) ? box.y + box.h / 2 : middle.y,
    ];
    frame.scrollTo({ left: left + px(x) - frame.clientWidth / 2, top: top + px(y) - frame.clientHeight / 2 });
  });
  const numbered = $derived(layers.numbers === 'kept' ? own.filter((piece) => piece.is_kept) : own);
  const APART = 23;
  const places = $derived(
    spread(
      numbered.map((piece) => ({ x: ax(piece.anchor[0]), y: px(piece.anchor[1]) })),
      APART,
    ),
  );
  /** Worked from the back, the picture is turned over as the blank is. */
  const turned = $derived(!!layers.back && picture.from_back);
  const flip = (mm: number) => (turned ? picture.width - mm : mm);
  const ax = (mm: number) => px(flip(mm));
  /** What is painted through the mask that is shown: what a tape is laid to. */
  const painted = $derived.by(() => {
    const [x0, y0, x1, y1] = mask?.painted_box ?? picture.painted_box;
    return turned ? ([flip(x1), y0, flip(x0), y1] as const) : ([x0, y0, x1, y1] as const);
  });
  const across = $derived((painted[1] + painted[3]) / 2);
  const down = $derived((painted[0] + painted[2]) / 2);
  const ground = $derived(picture.base ? picture.base_colour : picture.blank_colour);
</script>

<div
  class="frame"
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
      <Rule length={picture.width} {scale} {unit} />
      <Rule length={picture.height} {scale} {unit} upright />
      <g
        class:turned
        transform={turned ? `translate(${px(picture.width)}) scale(${-scale} ${scale})` : `scale(${scale})`}
      >
        {#if picture.rim}
          <path class="rim" d={picture.outline} stroke-width={2 * picture.rim} />
        {/if}
        <path class="blank" fill={picture.blank_colour} d={picture.outline} />
        {#if picture.base}<path fill={picture.base_colour} d={picture.base} />{/if}
        {#if layers.overhang && picture.overhang}
          <path class="overhang" d={picture.overhang} fill-rule="evenodd" />
        {/if}
        {#if layers.print || peeled > 0}
          {#each picture.colours as colour (colour.colour)}
            <path d={colour.path} fill={colour.colour} fill-rule="evenodd" />
          {/each}
        {/if}
        {#if layers.print || peeled > 0}
          <!-- What a bridge covers stays unpainted. -->
          {#each picture.masks as one (one.number)}
            {#each one.bridges as bridge (bridge.path)}<path fill={ground} d={bridge.path} />{/each}
          {/each}
        {/if}
        {#if layers.mask && mask}
          <MaskLayer
            {mask}
            pieces={own}
            colour={picture.mask_colour}
            peeled={peeled > 0 ? peeledTo : 0}
            high={picture.height}
            {hand}
          />
        {/if}
        {#if layers.margin && picture.margin}
          <path class="margin" d={picture.margin} />
          <path class="margin light" d={picture.margin} />
        {/if}
        {#if layers.patches}
          {#each mask?.patches ?? [] as patch (patch.number)}
            <rect
              class="patch"
              x={patch.box[0]}
              y={patch.box[1]}
              width={patch.box[2] - patch.box[0]}
              height={patch.box[3] - patch.box[1]}
            />
          {/each}
        {/if}
        {#if layers.placements}
          {#each mask?.placements ?? [] as placement (placement.number)}
            <rect
              class="placement"
              x={placement.box[0]}
              y={placement.box[1]}
              width={placement.box[2] - placement.box[0]}
              height={placement.box[3] - placement.box[1]}
              rx="6"
            />
          {/each}
        {/if}
      </g>
      {#if layers.collar && picture.collar}
        {@const { at, top, middle } = picture.collar}
        <g class="collar" aria-hidden="true">
          <path d="M{px(at[0])} {px(at[1])}V{px(picture.height)}" />
          <path
            d="M{px(at[0]) - 18} {px(at[1])}h36M{px(middle)} {px(at[1])}V{px(top)}m-7-7 7 7 7-7"
            class="drop"
          />
          <text x={px(middle) + 8} y={(px(at[1]) + px(top)) / 2 + 4}>{showLength(top - at[1], unit)}</text>
        </g>
      {/if}
      {#if layers.parts && onpart && onmove}
        <PartHandles {parts} {picture} {scale} {part} {others} {onpart} {onmove} />
      {/if}
      {#if layers.tape}
        <g class="tape" aria-hidden="true">
          <path
            d="M0 {px(across)}H{px(painted[0])}M{px(painted[2])} {px(across)}H{px(picture.width)}M{px(
              down,
            )} 0V{px(painted[1])}M{px(down)} {px(painted[3])}V{px(picture.height)}"
          />
          {#if mask}
            {@const { left: toLeft, right, top: toTop, bottom } = mask.tape}
            <text class="label" x={px(painted[0] / 2)} y={px(across) - 5}>{showLength(toLeft, unit)}</text>
            <text class="label" x={px((painted[2] + picture.width) / 2)} y={px(across) - 5}
              >{showLength(right, unit)}</text
            >
            <text class="label" x={px(down) + 5} y={px(painted[1] / 2) + 5}>{showLength(toTop, unit)}</text>
            <text class="label" x={px(down) + 5} y={px((painted[3] + picture.height) / 2) + 5}
              >{showLength(bottom, unit)}</text
            >
          {/if}
        </g>
      {/if}
      {#if layers.pins}
        {#each mask?.pins ?? [] as pin, index (index)}
          <path class="pin" d="M{ax(pin.at[0]) - 4} {px(pin.at[1]) + 4}l8-8m-3-3 6 6" aria-hidden="true" />
        {/each}
      {/if}
      {#if layers.placements}
        {#each mask?.placements ?? [] as placement (placement.number)}
          <text
            class="label"
            x={ax(turned ? placement.box[2] : placement.box[0]) + 6}
            y={px(placement.box[1]) + 16}>{placement.number}</text
          >
        {/each}
      {/if}
      {#if layers.patches}
        {#each mask?.patches ?? [] as patch (patch.number)}
          <text class="label big" x={px(patch.box[0]) + 8} y={px(patch.box[1]) + 22}
            >{patch.number} (sheet {patch.sheet})</text
          >
        {/each}
        {#each seams.filter((seam) => seam.mask === mask?.number) as seam (seam.name)}
          <g class="seam">
            <path d="M{px(seam.start[0])} {px(seam.start[1])}L{px(seam.end[0])} {px(seam.end[1])}" />
            {#each seam.checks as check (check.name)}
              <path
                class="check"
                d="M{px(check.first[0])} {px(check.first[1])}L{px(check.second[0])} {px(check.second[1])}"
              />
              {#each [check.first, check.second] as at, index (index)}
                <path class="cross" d="M{px(at[0]) - 5} {px(at[1])}h10m-5-5v10" />
              {/each}
              <text class="label" x={px(check.second[0]) + 6} y={px(check.second[1]) - 5}
                >{check.name}: {showLength(check.distance, unit)}</text
              >
            {/each}
          </g>
        {/each}
      {/if}
      {#if layers.findings}
        {#each findings as finding (finding.key)}
          {#if finding.at}
            <circle
              class="finding {finding.severity}"
              class:lookedat={finding.key === lookedAt}
              cx={px(finding.at[0])}
              cy={px(finding.at[1])}
              r={finding.key === lookedAt ? 14 : 8}
            >
              <title>{finding.message}</title>
            </circle>
          {/if}
        {/each}
      {/if}
      {#if layers.weak && marked.length}<WeakMarks places={marked} {scale} {lookedAt} />{/if}
      {#if spot}
        <path
          class="spot"
          d="M{px(spot[0]) - 22} {px(spot[1])}h14m16 0h14M{px(spot[0])} {px(spot[1]) - 22}v14m0 16v14"
          aria-hidden="true"
        />
      {/if}
      {#if layers.numbers}
        {#each numbered as piece, index (piece.number)}
          {@const place = places[index] ?? { x: 0, y: 0 }}
          <line
            class="leader"
            x1={ax(piece.anchor[0])}
            y1={px(piece.anchor[1])}
            x2={place.x}
            y2={place.y}
            aria-hidden="true"
          />
        {/each}
        {#each numbered as piece, index (piece.number)}
          {@const place = places[index] ?? { x: 0, y: 0 }}
          <PieceMark
            {piece}
            x={place.x}
            y={place.y}
            present={present ? present.includes(piece.number) : null}
            selected={piece.number === selected}
            onselect={onselect ? () => onselect(piece.number) : undefined}
          />
        {/each}
      {/if}
      {#if layers.ties && mask && selected !== null && ongrip && ondrag && onput}
        <BridgeHandles
          bridges={mask.bridges.filter((bridge) => bridge.piece === selected)}
          {hand}
          {scale}
          {ongrip}
          {ondrag}
          {onput}
        />
      {/if}
    </g>
  </svg>
</div>

<style>
  .seam path {
    fill: none;
    stroke: var(--signal);
    stroke-width: 1.5px;
    stroke-dasharray: 5 4;
  }
  .seam .check,
  .seam .cross {
    stroke: #1b2429;
    stroke-dasharray: none;
  }
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
  .overhang {
    fill: rgb(27 36 41 / 0.22);
    stroke: var(--ink);
    stroke-width: 1;
    stroke-dasharray: 3 3;
    vector-effect: non-scaling-stroke;
  }
  .collar path {
    fill: none;
    stroke: #fbf8ef;
    stroke-width: 1.5;
    stroke-dasharray: 2 5;
    paint-order: stroke;
  }
  .collar .drop {
    stroke: var(--color-signal-300);
    stroke-width: 2.5;
    stroke-dasharray: none;
  }
  .collar text {
    fill: #1b2429;
    font-size: 13px;
    font-weight: 700;
    paint-order: stroke;
    stroke: #fbf8ef;
    stroke-width: 5px;
    stroke-linejoin: round;
  }
  .tie {
    fill: #f6d9b8;
  }
  .tie-line {
    stroke: var(--color-signal-500);
    stroke-width: 3;
  }
  .margin,
  .patch,
  .placement {
    fill: none;
    vector-effect: non-scaling-stroke;
  }
  /* Dark and light dashes in turn, seen on pale blanks and on dark ones. */
  .margin {
    stroke: rgb(0 0 0 / 0.55);
    stroke-dasharray: 4 4;
  }
  .margin.light {
    stroke: rgb(255 255 255 / 0.6);
    stroke-dashoffset: 4;
  }
  .patch {
    stroke: var(--color-signal-500);
    stroke-width: 2;
    stroke-dasharray: 10 5;
  }
  .placement {
    fill: rgb(194 87 26 / 0.1);
    stroke: var(--color-signal-500);
    stroke-width: 1.5;
  }
  .label {
    fill: #1b2429;
    font-weight: 700;
    font-size: 13px;
    paint-order: stroke;
    stroke: #fbf8ef;
    stroke-width: 3px;
  }
  .big {
    font-size: 15px;
  }
  .pin {
    fill: none;
    stroke: #1b2429;
    stroke-width: 2;
  }
  .tape path {
    fill: none;
    stroke: var(--color-signal-500);
    stroke-width: 2;
    stroke-dasharray: 2 3;
  }
  .leader {
    stroke: #22313a;
    stroke-width: 1.5;
  }
  .finding {
    fill: none;
    stroke-width: 3;
  }
  .finding {
    pointer-events: none;
  }
  .spot {
    fill: none;
    stroke: var(--color-signal-500);
    stroke-width: 4;
    pointer-events: none;
  }
  .finding.lookedat {
    stroke-width: 5;
  }
  .finding.note {
    stroke: #35424a;
    stroke-dasharray: 1 3;
  }
  .finding.stop {
    stroke: var(--color-red-600);
  }
  .finding.warn {
    stroke: var(--color-signal-500);
    stroke-dasharray: 4 3;
  }
</style>
