<script lang="ts">
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import { untrack } from 'svelte';
  import { push } from 'svelte-spa-router';
  import type { Board, Choice, Start, StoredBlank } from '../lib/api/client';
  import {
    beginJob,
    bringBack,
    getBlanks,
    getBoard,
    getCatalogue,
    getDrawer,
    Problem,
    putAway,
    readJobFile,
  } from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import type { Shortcut } from '../lib/shortcuts';
  import ProblemNote from '../lib/ui/ProblemNote.svelte';
  import TopBar from '../lib/ui/TopBar.svelte';
  import DropPlace from './DropPlace.svelte';
  import BrokenCard from './BrokenCard.svelte';
  import JobCard from './JobCard.svelte';

  let board = $state.raw<Board | null>(null);
  let drawer = $state.raw<Board | null>(null);
  const cards = $derived(board?.jobs ?? null);
  let surfaces = $state.raw<Choice[]>([]);
  let blanks = $state.raw<StoredBlank[]>([]);
  let problem = $state.raw<Problem | null>(null);
  let putAwayCard = $state.raw<{ id: number; name: string } | null>(null);
  let beginning = $state(false);
  let dropPlace = $state<DropPlace>();

  const shortcuts: Shortcut[] = [
    { keys: 'N', about: 'New job: write words', run: () => dropPlace?.write() },
    { keys: 'Ctrl Z', about: 'Bring back the job put away last', run: () => void takeBack() },
  ];

  // What only looks things up must not wipe away what went wrong meanwhile, so each deed of the maker's does.
  async function attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      problem = error instanceof Problem ? error : new Problem('Something went wrong.', 'Try again.');
    }
  }

  const refresh = () =>
    attempt(async () => {
      board = await getBoard(settings.unit);
      if (drawer) drawer = await getDrawer(settings.unit);
    });

  $effect(() => {
    // Asked anew when the unit changes, not for what asking itself changes.
    void settings.unit;
    untrack(() => void refresh());
  });

  $effect(() => {
    void attempt(async () => void (blanks = (await getBlanks()).blanks));
    void attempt(async () => void (surfaces = (await getCatalogue(settings.unit)).surfaces));
  });

  async function begin(start: Start): Promise<void> {
    [beginning, problem] = [true, null];
    await attempt(async () => {
      const job = await beginJob(start, settings.unit);
      await push(`/job/${job.id}/artwork`);
    });
    beginning = false;
  }

  async function readFile(file: File): Promise<void> {
    [beginning, problem] = [true, null];
    await attempt(async () => {
      const job = await readJobFile(file, settings.unit);
      await push(`/job/${job.id}/blank`);
    });
    beginning = false;
  }

  async function away(card: { id: number; name: string }): Promise<void> {
    problem = null;
    await attempt(() => putAway(card.id));
    if (!problem) putAwayCard = card;
    await refresh();
  }

  async function back(id: number): Promise<void> {
    problem = null;
    await attempt(() => bringBack(id));
    if (!problem && putAwayCard?.id === id) putAwayCard = null;
    await refresh();
  }
  const takeBack = () => (putAwayCard ? back(putAwayCard.id) : Promise.resolve());

  /** Open the drawer of jobs put away, or shut it. */
  async function openDrawer(): Promise<void> {
    if (drawer) drawer = null;
    else await attempt(async () => void (drawer = await getDrawer(settings.unit)));
  }
</script>

<svelte:head><title>Board - Dunestead</title></svelte:head>
<TopBar {shortcuts}><span class="text-(--faint)">The board: every job, and what it waits for</span></TopBar>

<main class="mx-auto max-w-6xl p-4">
  <h1 class="sr-only">Board</h1>
  {#if problem}<div class="mb-4"><ProblemNote {problem} onclose={() => (problem = null)} /></div>{/if}
  {#if putAwayCard}
    <p class="card mb-4 flex items-center gap-4 px-4 py-2" role="status">
      “{putAwayCard.name}” is put away.
      <button class="cursor-pointer font-bold underline" onclick={takeBack}>Bring it back</button>
    </p>
  {/if}
  <div class="grid grid-cols-1 gap-4 sm:grid-cols-2 lg:grid-cols-3">
    {#if cards}
      {#each board?.broken ?? [] as broken (broken.id)}<BrokenCard
          {broken}
          onputaway={() => away(broken)}
        />{/each}
      {#each cards as card (card.id)}<JobCard {card} onputaway={() => away(card)} />{/each}
    {:else if !problem}
      <p class="col-span-full flex items-center gap-3 p-6" role="status">
        <Spinner size="6" /> Laying out the jobs
      </p>
    {/if}
    <DropPlace
      bind:this={dropPlace}
      {surfaces}
      {blanks}
      busy={beginning}
      empty={cards?.length === 0 && !board?.broken.length}
      onbegin={begin}
      onjobfile={readFile}
    />
  </div>
  <section class="mt-6" aria-label="Jobs put away">
    <button class="cursor-pointer font-bold underline" aria-expanded={!!drawer} onclick={openDrawer}
      >{drawer ? 'Shut the drawer' : 'Jobs put away'}</button
    >
    {#if drawer}
      <ul class="m-0 mt-3 flex list-none flex-col gap-2 p-0">
        {#each [...drawer.jobs, ...drawer.broken] as put (put.id)}
          <li class="card flex items-center gap-4 px-4 py-2">
            <span class="flex-1 font-bold">{put.name}</span>
            <button class="cursor-pointer font-bold underline" onclick={() => back(put.id)}
              >Bring {put.name} back</button
            >
          </li>
        {:else}
          <li>The drawer is empty.</li>
        {/each}
      </ul>
    {/if}
  </section>
</main>
