<script lang="ts">
  import type { Call, Piece } from '../lib/api/client';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    call: Call;
    keepers: Piece[];
    open: OpenJob;
  }
  const { call, keepers, open }: Props = $props();

  const words = { dish: 'in the dish', placed: 'placed', lifted: 'lifted' };
  const here = $derived(keepers.filter((piece) => call in piece.calls).length);
</script>

<fieldset class="m-0 mt-2 border-0 p-0 pl-6">
  <legend class="mb-1 text-sm">
    <strong>{here} of {keepers.length}</strong>
    {words[call]}
    {#if here < keepers.length}
      <button class="ml-2 cursor-pointer underline" onclick={() => open.call(null, call, true)}
        >All are</button
      >
    {/if}
  </legend>
  <div class="flex flex-wrap gap-1.5">
    {#each keepers as piece (piece.number)}
      {@const present = call in piece.calls}
      <button
        class="number stamp"
        class:present
        aria-pressed={present}
        aria-label="Keeper {piece.number}, {present ? words[call] : 'missing'}"
        onclick={() => open.call([piece.number], call, !present)}>{piece.number}{present ? ' ✓' : ''}</button
      >
    {/each}
  </div>
</fieldset>

<style>
  .number {
    min-width: 2.6rem;
    min-height: 2.2rem;
    cursor: pointer;
    border: 2px dashed var(--faint);
    border-radius: 1.2rem;
    padding: 0 0.5rem;
  }
  .present {
    border-style: solid;
    border-color: var(--grass);
    background: color-mix(in srgb, var(--grass) 18%, transparent);
  }
</style>
