<script lang="ts">
  import type { Fate, Piece } from '../../lib/api/client';
  import { FATES, fateWord } from '../../lib/picture/fates';
  import { settings } from '../../lib/settings.svelte';
  import { showLength } from '../../lib/units';

  interface Props {
    piece: Piece;
    selected: boolean;
    onselect: () => void;
    ondecide: (fate: Fate | null) => void;
  }
  const { piece, selected, onselect, ondecide }: Props = $props();

  let row = $state<HTMLLIElement>();
  $effect(() => {
    if (selected) row?.scrollIntoView({ block: 'nearest' });
  });
  const tied = $derived(piece.nearest.to === 0 ? 'frame' : `no. ${piece.nearest.to}`);
</script>

<li bind:this={row} class="row" class:selected>
  <button class="flex flex-1 cursor-pointer items-baseline gap-2 text-left" onclick={onselect}>
    <strong class="stamp w-5 text-right"><span class="sr-only">Piece</span> {piece.number}</strong>
    <span class="text-sm leading-tight">
      least {showLength(piece.least, settings.unit)}
      <span class="block text-xs text-(--faint)"
        >{showLength(piece.nearest.gap, settings.unit)} to {tied}</span
      >
      <span class="sr-only">{fateWord(piece.fate)}; show it</span>
    </span>
  </button>
  <div class="flex" role="group" aria-label="What becomes of piece {piece.number}">
    {#each FATES as entry (entry.fate)}
      <button
        class="fate"
        aria-pressed={piece.fate === entry.fate}
        title={entry.about}
        onclick={() => ondecide(piece.fate === entry.fate ? null : entry.fate)}>{entry.verb}</button
      >
    {/each}
  </div>
</li>

<style>
  .row {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    border-radius: 0.5rem;
    padding: 0.25rem 0.35rem;
  }
  .selected {
    background: color-mix(in srgb, var(--signal) 14%, transparent);
    box-shadow: inset 3px 0 0 var(--signal);
  }
  .fate {
    cursor: pointer;
    border: 1px solid var(--line);
    padding: 0.3rem 0.35rem;
    font-size: 0.8rem;
  }
  .fate:first-child {
    border-radius: 0.5rem 0 0 0.5rem;
  }
  .fate:last-child {
    border-radius: 0 0.5rem 0.5rem 0;
  }
  .fate[aria-pressed='true'] {
    background: var(--grass);
    color: var(--sheet);
    font-weight: 700;
  }
</style>
