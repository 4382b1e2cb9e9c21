<script lang="ts">
  import type { Marking } from '../api/client';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
    marks: Marking['marks'];
    /** Windows by their numbers, shown while something is marked. */
    windows?: Marking['windows'];
    /** Where the maker points, mm on the blank; without it nothing is pointed at. */
    onpoint?: (at: [number, number]) => void;
  }
  const { ground, marks, windows = [], onpoint }: Props = $props();

  function point(event: PointerEvent): void {
    const svg = event.currentTarget as SVGRectElement;
    const matrix = svg.getScreenCTM();
    if (!matrix) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    onpoint?.([at.x, at.y]);
  }
</script>

{#each windows as window (window.number)}
  <text class="window" x={ground.ax(window.at[0])} y={ground.px(window.at[1]) + 5} aria-hidden="true"
    >{window.number}</text
  >
{/each}
{#each marks as mark (`${mark.marked} ${mark.number}`)}
  <g
    class="mark"
    class:mended={mark.mended}
    transform="translate({ground.ax(mark.at[0])} {ground.px(mark.at[1])})"
    role="img"
    aria-label="{mark.what} {mark.number}, {mark.mended ? 'seen to' : 'open'}"
  >
    <path d={mark.marked ? 'M0-13 13 0 0 13-13 0z' : 'M-10-10h20v20h-20z'} />
    <text y="4.5">{mark.mended ? '✓' : mark.number}</text>
  </g>
{/each}
{#if onpoint}
  <!-- The lists beside the picture are the way by keyboard; this takes a pointer. -->
  <g transform={ground.carry}>
    <rect
      class="catch"
      width={ground.picture.width}
      height={ground.picture.height}
      role="presentation"
      onpointerup={point}
    />
  </g>
{/if}

<style>
  .window {
    fill: #1b2429;
    font-size: 13px;
    font-weight: 700;
    text-anchor: middle;
    paint-order: stroke;
    stroke: #fbf8ef;
    stroke-width: 4px;
  }
  .mark path {
    fill: #fbf8ef;
    stroke: var(--color-signal-500);
    stroke-width: 3;
  }
  .mark text {
    fill: #1b2429;
    font-size: 13px;
    font-weight: 700;
    text-anchor: middle;
  }
  .mark.mended path {
    stroke: #1b2429;
    stroke-width: 1.5;
    stroke-dasharray: 3 2;
  }
  .catch {
    fill: transparent;
    cursor: crosshair;
  }
</style>
