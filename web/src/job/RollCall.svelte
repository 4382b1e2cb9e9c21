<script lang="ts">
  import type { Piece, Task } from '../lib/api/client';
  import CountField from './CountField.svelte';
  import type { OpenJob } from './open-job.svelte';
  import Rests from './Rests.svelte';

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
  const all = $derived(call.numbers.length);
</script>

<div class="mt-2 flex flex-col gap-3 pl-6">
  {#each call.counts as { what, name, counted, expected, planned } (what)}
    <CountField {name} {counted} {expected} {planned} oncount={(count) => open.count(task.id, what, count)} />
  {/each}
  {#if call.of === 'placements' && all}
    <Rests {task} {call} {open} />
  {:else if all}
    <fieldset class="m-0 border-0 p-0">
      <legend class="mb-1 text-sm"><strong>{here} of {all}</strong> {word}</legend>
      {#if here < all}
        <CountField
          name="keepers {word}"
          counted={call.keepers_counted === all ? null : call.keepers_counted}
          expected={all}
          oncount={(count) => open.count(task.id, 'keepers', count)}
        />
        <p class="m-0 mt-1 mb-2 text-sm text-(--faint)">
          {call.keepers_counted !== null && call.keepers_counted !== all
            ? 'Tick each one you see; what stays unticked is missing.'
            : 'Count them and save the number, or tick each one you see.'}
        </p>
      {/if}
      <div class="flex flex-wrap gap-1.5">
        {#each keepers as piece (piece.number)}
          {@const present = isHere(piece.number)}
          <button
            class="number stamp"
            class:present
            aria-pressed={present}
            aria-label="Keeper {piece.number}, {present ? word : 'missing'}"
            title={piece.where}
            onclick={() => open.call(task.id, [piece.number], !present)}
            >{piece.number}{present ? ' ✓' : ''}</button
          >
        {/each}
      </div>
    </fieldset>
  {/if}
</div>
