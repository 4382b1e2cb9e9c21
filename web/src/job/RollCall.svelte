<script lang="ts">
  import type { Piece, Task } from '../lib/api/client';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    task: Task;
    call: NonNullable<Task['call']>;
    keepers: Piece[];
    open: OpenJob;
  }
  const { task, call, keepers, open }: Props = $props();

  const WORDS: Record<string, string> = { weed: 'in their place', tack: 'placed', peel: 'lifted' };
  const word = $derived(WORDS[task.station] ?? 'here');
  const isHere = (number: number) => String(number) in call.answered;
  const here = $derived(call.numbers.filter(isHere).length);
</script>

<fieldset class="m-0 mt-2 border-0 p-0 pl-6">
  <legend class="mb-1 text-sm">
    <strong>{here} of {call.numbers.length}</strong>
    {word}
    {#if here < call.numbers.length}
      <button class="ml-2 cursor-pointer underline" onclick={() => open.call(task.id, null, true)}
        >All {call.numbers.length} are</button
      >
    {/if}
  </legend>
  <div class="flex flex-wrap gap-1.5">
    {#each keepers as piece (piece.number)}
      {@const present = isHere(piece.number)}
      <button
        class="number stamp"
        class:present
        aria-pressed={present}
        aria-label="Keeper {piece.number}, {present ? word : 'missing'}"
        onclick={() => open.call(task.id, [piece.number], !present)}
        >{piece.number}{present ? ' ✓' : ''}</button
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
