<script lang="ts">
  import type { Call, Finding, Picture, Piece, Unit } from '../api/client';
  import { showLength } from '../units';
  import type { Layers } from './layers';
  import PieceMark from './PieceMark.svelte';
  import Rule from './Rule.svelte';
  import { spread } from './spread';

  interface Props {
    picture: Picture;
    pieces: Piece[];
    findings: Finding[];
    unit: Unit;
    layers: Layers;
    /** Pieces that answered this roll-call are marked. */
    call?: Call | null;
    lifeSize?: boolean;
    selected?: number | null;
    onselect?: (number: number) => void;
  }
  const { picture, pieces, findings, unit, layers, call, lifeSize, selected, onselect }: Props = $props();

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
      : Math.max(0.05, Math.min((roomWide - RULE - EDGE) / box.w, (roomHigh - RULE - EDGE) / box.h)),
  );
  const wide = $derived(RULE + box.w * scale + EDGE);
  const high = $derived(RULE + box.h * scale + EDGE);
  const left = $derived((lifeSize ? RULE : Math.max(RULE, (roomWide - box.w * scale) / 2)) - box.x * scale);
  const top = $derived((lifeSize ? RULE : Math.max(RULE, (roomHigh - box.h * scale) / 2)) - box.y * scale);
  const px = (mm: number) => mm * scale;
  const numbered = $derived(layers.numbers === 'kept' ? pieces.filter((piece) => piece.is_kept) : pieces);
  const APART = 23;
  const places = $derived(
    spread(
      numbered.map((piece) => ({ x: px(piece.anchor[0]), y: px(piece.anchor[1]) })),
      APART,
    ),
  );
  const painted = $derived(picture.painted_box);
</script>

<div class="frame" class:scrolls={lifeSize} bind:clientWidth={roomWide} bind:clientHeight={roomHigh}>
  <svg
    width={lifeSize ? wide : roomWide}
    height={lifeSize ? high : roomHigh}
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
      <g transform="scale({scale})">
        {#if picture.shape === 'oval'}
          <ellipse
            class="blank"
            fill={picture.blank_colour}
            cx={picture.width / 2}
            cy={picture.height / 2}
            rx={picture.width / 2}
            ry={picture.height / 2}
          />
        {:else}
          <rect
            class="blank"
            fill={picture.blank_colour}
            width={picture.width}
            height={picture.height}
            rx="3"
          />
        {/if}
        {#if layers.print}
          {#each picture.colours as colour (colour.colour)}
            <path d={colour.path} fill={colour.colour} fill-rule="evenodd" />
          {/each}
        {/if}
        {#if layers.mask}
          <path class="sheet" d={picture.frame} fill-rule="evenodd" />
          {#each pieces as piece (piece.number)}
            {#if piece.is_kept}<path class="sheet keeper" d={piece.path} fill-rule="evenodd" />{/if}
          {/each}
          {#each picture.bridges as bridge (bridge.path)}<path fill="url(#tie)" d={bridge.path} />{/each}
        {/if}
        {#if layers.margin}
          <rect
            class="margin"
            x={picture.margin}
            y={picture.margin}
            width={Math.max(0, picture.width - 2 * picture.margin)}
            height={Math.max(0, picture.height - 2 * picture.margin)}
          />
        {/if}
        {#if layers.patches}
          {#each picture.patches as patch (patch.sheet)}
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
          {#each picture.placements as placement (placement.number)}
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
      {#if layers.tape}
        <g class="tape" aria-hidden="true">
          <path
            d="M0 {px(picture.height / 2)}H{px(painted[0])}M{px(painted[2])} {px(picture.height / 2)}H{px(
              picture.width,
            )}"
          />
          <path
            d="M{px(picture.width / 2)} 0V{px(painted[1])}M{px(picture.width / 2)} {px(painted[3])}V{px(
              picture.height,
            )}"
          />
        </g>
      {/if}
      {#if layers.pins}
        {#each picture.pins as pin, index (index)}
          <path class="pin" d="M{px(pin.at[0]) - 4} {px(pin.at[1]) + 4}l8-8m-3-3 6 6" aria-hidden="true" />
        {/each}
      {/if}
      {#if layers.placements}
        {#each picture.placements as placement (placement.number)}
          <text class="label" x={px(placement.box[0]) + 6} y={px(placement.box[1]) + 16}
            >{placement.number}</text
          >
        {/each}
      {/if}
      {#if layers.patches}
        {#each picture.patches as patch (patch.sheet)}
          <text class="label big" x={px(patch.box[0]) + 8} y={px(patch.box[1]) + 22}>Sheet {patch.sheet}</text
          >
        {/each}
      {/if}
      {#if layers.findings}
        {#each findings as finding, index (index)}
          {#if finding.at}
            <circle class="finding {finding.severity}" cx={px(finding.at[0])} cy={px(finding.at[1])} r="9">
              <title>{finding.message}</title>
            </circle>
          {/if}
        {/each}
      {/if}
      {#if layers.numbers}
        {#each numbered as piece, index (piece.number)}
          {@const place = places[index] ?? { x: 0, y: 0 }}
          <line
            class="leader"
            x1={px(piece.anchor[0])}
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
            present={call ? call in piece.calls : null}
            selected={piece.number === selected}
            onselect={onselect ? () => onselect(piece.number) : undefined}
          />
        {/each}
      {/if}
    </g>
  </svg>
</div>

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
  .sheet {
    fill: var(--mask);
    fill-opacity: 0.9;
    stroke: #2b312d;
    stroke-width: 0.75;
    vector-effect: non-scaling-stroke;
  }
  .keeper {
    fill-opacity: 1;
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
  .margin {
    stroke: rgb(0 0 0 / 0.45);
    stroke-dasharray: 3 5;
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
  .finding.stop {
    stroke: var(--color-red-600);
  }
  .finding.warn {
    stroke: var(--color-signal-500);
    stroke-dasharray: 4 3;
  }
</style>
