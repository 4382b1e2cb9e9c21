<script lang="ts">
  import type { Job, Piece } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import { showArea, showLength } from '../../lib/units';
  import PieceShape from './PieceShape.svelte';
  import { stateOf } from './tray';

  interface Props {
    piece: Piece;
    stations: Job['stations'];
    scale: number;
    room: number;
    selected: boolean;
    picked: boolean;
    onselect: () => void;
    onpick: () => void;
    onstep: (by: number) => void;
  }
  const { piece, stations, scale, room, selected, picked, onselect, onpick, onstep }: Props = $props();

  let row = $state<HTMLLIElement>();
  $effect(() => {
    if (selected) row?.scrollIntoView({ block: 'nearest' });
  });

  function onkeydown(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (by) onstep(by);
    else if (event.key === ' ') onpick();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<li bind:this={row} class="row" class:selected data-piece={piece.number}>
  <input
    type="checkbox"
    class="h-4 w-4 shrink-0 rounded border-(--faint) bg-(--sheet) text-primary-700"
    aria-label="Take piece {piece.number} in"
    checked={picked}
    onchange={onpick}
  />
  <button class="main" aria-pressed={selected} onclick={onselect} {onkeydown}>
    <PieceShape {piece} {scale} {room} />
    <strong class="stamp w-6 shrink-0 text-right"><span class="sr-only">Piece</span> {piece.number}</strong>
    <span class="min-w-0 flex-1 text-sm leading-tight">
      <span class="block">{piece.where}</span>
      <span class="block text-xs text-(--faint)" class:sr-only={!selected}
        >{showLength(piece.width, settings.unit)} wide, least {showLength(piece.least, settings.unit)}, {showArea(
          piece.area,
          settings.unit,
        )}</span
      >
    </span>
    <span class="state {piece.fate ?? 'undecided'}">{stateOf(piece, stations)}</span>
  </button>
</li>

<style>
  .row {
    display: flex;
    align-items: center;
    gap: 0.4rem;
    border-radius: 0.5rem;
    padding: 0.1rem 0.3rem;
  }
  .main {
    display: flex;
    min-width: 0;
    flex: 1;
    cursor: pointer;
    align-items: center;
    gap: 0.45rem;
    border-radius: 0.4rem;
    text-align: left;
  }
  .selected {
    background: color-mix(in srgb, var(--signal) 14%, transparent);
    box-shadow: inset 3px 0 0 var(--signal);
  }
  .state {
    flex-shrink: 0;
    border: 1px solid var(--line);
    border-radius: 0.8rem;
    padding: 0.05rem 0.45rem;
    font-size: 0.75rem;
  }
  .undecided {
    border-style: dashed;
    border-color: var(--faint);
  }
  .keep {
    border-color: var(--grass);
    border-width: 2px;
  }
  .bridge {
    border-color: var(--signal);
  }
</style>
