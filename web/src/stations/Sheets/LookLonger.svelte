<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { SheetsJob } from './part';
  import type { Search } from '../../lib/api/client';
  import { beginSearch, forgetSearch, getSearch, Problem, stopSearch } from '../../lib/api/client';
  import { several } from './words';

  interface Props {
    open: OpenJob;
    job: SheetsJob;
  }
  const { open, job }: Props = $props();

  const EVERY_MS = 500;
  let search = $state.raw<Search | null>(null);
  let timer: ReturnType<typeof setTimeout> | undefined;

  async function take(question: () => Promise<Search>): Promise<void> {
    clearTimeout(timer);
    try {
      search = await question();
    } catch (error) {
      if (error instanceof Problem) open.problem = error;
      return;
    }
    if (search.running) timer = setTimeout(() => void take(() => getSearch(job.id)), EVERY_MS);
    else if (search.better) await open.load();
  }

  $effect(() => {
    void take(() => getSearch(job.id));
    return () => clearTimeout(timer);
  });
</script>

{#if search?.running}
  <div class="flex flex-col gap-1 text-sm" aria-live="polite">
    <progress class="h-3 w-full accent-(--grass)" value={search.share} max="1" aria-label="Search progress"
    ></progress>
    <p class="m-0">
      Searching for a better layout: {several(search.sheets, 'sheet')}, {search.bound} at least{search.better
        ? '; better than before'
        : ''}.
    </p>
    <Button color="alternative" size="xs" onclick={() => take(() => stopSearch(job.id))}
      >Stop, and keep the best</Button
    >
  </div>
{:else if search?.broken_off}
  <div class="flex flex-col gap-1 text-sm" role="status">
    <p class="m-0">A search for a better layout was broken off when the workshop was closed.</p>
    <div class="flex gap-2">
      <Button color="alternative" size="xs" onclick={() => take(() => beginSearch(job.id))}
        >Search again</Button
      >
      <Button color="alternative" size="xs" onclick={() => take(() => forgetSearch(job.id))}>Let it be</Button
      >
    </div>
  </div>
{:else if job.sheets.can_improve}
  <Button color="alternative" size="xs" onclick={() => take(() => beginSearch(job.id))}
    >Search for a better layout</Button
  >
{/if}
