<script lang="ts">
  import type { Piece } from '../api/client';
  import { fateWord } from './fates';

  interface Props {
    piece: Piece;
    x: number;
    y: number;
    /** Whether it answered the roll-call that is on; null when none is. */
    present?: boolean | null;
    selected?: boolean;
    /** A dot without its number, where there is no room for one. */
    small?: boolean;
    onselect?: () => void;
  }
  const { piece, x, y, present = null, selected = false, small = false, onselect }: Props = $props();

  // The outline says the fate without its colour: ring kept, square bridged, diamond left out, triangle dropped,
  // broken ring undecided.
  const SHAPES: Record<string, string> = {
    bridge: 'M-9-9H9V9H-9Z',
    'leave-out': 'M0-12L12 0 0 12-12 0Z',
    drop: 'M-13-8H13L0 13Z',
  };
  const shape = $derived(piece.fate ? (SHAPES[piece.fate] ?? '') : '');
  const label = $derived(
    `Loose piece ${piece.number}, ${fateWord(piece.fate)}${present === null ? '' : present ? ', here' : ', missing'}`,
  );

  function onkeydown(event: KeyboardEvent): void {
    if (event.key === 'Enter' || event.key === ' ') onselect?.();
  }
</script>

<!-- The list beside the picture is the way by keyboard; marks take a pointer. -->
<g
  class="mark {piece.fate ?? 'undecided'}"
  class:selected
  class:small
  class:present={present === true}
  transform="translate({x} {y})"
  role="button"
  tabindex="-1"
  aria-label={label}
  onclick={onselect}
  {onkeydown}
>
  <title>{label}: {piece.where}</title>
  {#if small}<circle r="5" />{:else}
    {#if shape}<path d={shape} />{:else}<circle r="10" />{/if}
    <text y="4" text-anchor="middle">{piece.number}</text>
  {/if}
  {#if present}<path class="tick" d="M4-12l4 4 8-9" />{/if}
</g>

<style>
  .mark {
    cursor: pointer;
    outline: none;
  }
  circle,
  path {
    fill: #fbf8ef;
    stroke: #22313a;
    stroke-width: 2;
  }
  .undecided circle {
    stroke-dasharray: 3 2.5;
  }
  .bridge path {
    stroke: var(--color-signal-500);
  }
  .leave-out path,
  .drop path {
    fill: #22313a;
  }
  .drop path {
    stroke-dasharray: 3 2;
  }
  .leave-out text,
  .drop text {
    fill: #fbf8ef;
  }
  .present circle {
    fill: #dbe7c4;
  }
  .selected circle,
  .selected > path:first-child {
    stroke-width: 4;
    stroke: var(--color-signal-500);
  }
  .tick {
    fill: none;
    stroke: #43572c;
    stroke-width: 3;
  }
  text {
    fill: #1b2429;
    font-size: 12px;
    font-weight: 700;
  }
</style>
