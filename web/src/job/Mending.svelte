<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import MainButton from '../lib/ui/MainButton.svelte';
  import type { Mending } from '../lib/api/client';
  import { getMending, mend, Problem, undoFrom } from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import ProblemNote from '../lib/ui/ProblemNote.svelte';

  interface Props {
    id: number;
    /** Why the job cannot be shown. */
    unshown: Problem;
    onmended: () => void;
  }
  const { id, unshown, onmended }: Props = $props();

  let found = $state.raw<Mending | null>(null);
  let asked = $state(false);
  let problem = $state.raw<Problem | null>(null);

  $effect(() => {
    getMending(id)
      .then(
        (mending) => (found = mending),
        () => undefined,
      )
      .finally(() => (asked = true));
  });

  async function attempt(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
      onmended();
    } catch (error) {
      problem = error instanceof Problem ? error : new Problem('Something went wrong.', 'Try again.');
      found = await getMending(id).catch(() => found);
    }
  }
</script>

{#if found?.what}
  {@const { version, history, mends } = found}
  <section class="card m-8 flex max-w-2xl flex-col gap-3 p-4" aria-label="Mend this job">
    <h2 class="stamp m-0 text-2xl">{found.name}</h2>
    <p class="m-0"><strong>{found.what}</strong> {mends.length ? '' : found.fix}</p>
    {#if problem}<ProblemNote {problem} onclose={() => (problem = null)} />{/if}
    {#each mends as one (one.key)}
      <MainButton class="self-start" onclick={() => attempt(() => mend(id, settings.unit, one.key, version))}
        >{one.label}</MainButton
      >
    {/each}
    {#if history.undo}
      <Button
        class="self-start"
        color="alternative"
        onclick={() => attempt(() => undoFrom(id, settings.unit, version))}>Undo: {history.undo}</Button
      >
    {/if}
  </section>
{:else if asked}
  <p class="m-8" role="alert"><strong>{unshown.what}</strong> {unshown.fix}</p>
{/if}
