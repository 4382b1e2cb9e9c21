<script lang="ts">
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import { untrack } from 'svelte';
  import { push } from 'svelte-spa-router';
  import type { Board, Card, Choice, FaceRow, Job, Recipe, Start, StoredBlank } from '../lib/api/client';
  import * as api from '../lib/api/client';
  import { announce } from '../lib/arrivals';
  import { settings } from '../lib/settings.svelte';
  import type { Shortcut } from '../lib/shortcuts';
  import ProblemNote from '../lib/ui/ProblemNote.svelte';
  import TopBar from '../lib/ui/TopBar.svelte';
  import Guide from '../lib/ui/Guide.svelte';
  import OneOf from '../lib/ui/OneOf.svelte';
  import { arranged, counted, type Filter, type Sort } from './boarding';
  import Again from './Again.svelte';
  import BrokenCard from './BrokenCard.svelte';
  import Drawer from './Drawer.svelte';
  import Examples from './Examples.svelte';
  import JobCard from './JobCard.svelte';
  import NewJob from './NewJob.svelte';

  const FILTERS: readonly (readonly [Filter, string])[] = [
    ['all', 'All'],
    ['decide', 'To decide'],
    ['work', 'To do'],
    ['dry', 'Drying'],
    ['done', 'Finished'],
  ];
  const SORTS = [
    ['due', 'Due first'],
    ['next', 'Furthest on'],
    ['name', 'By name'],
    ['newest', 'Newest first'],
  ] as const;

  const MOST_LOOKS = 4;
  const AFTER = { week: 'a week on', month: 'a month on', year: 'a year on' };

  let board = $state.raw<Board | null>(null);
  let drawer = $state.raw<Board | null>(null);
  let bin = $state.raw<Board | null>(null);
  let surfaces = $state.raw<Choice[]>([]);
  let faces = $state.raw<FaceRow[]>([]);
  let blanks = $state.raw<StoredBlank[]>([]);
  let recipes = $state.raw<Recipe[]>([]);
  let problem = $state.raw<api.Problem | null>(null);
  /** What was taken off the board last, and how. */
  let taken = $state.raw<{ id: number; name: string; how: 'put away' | 'deleted' } | null>(null);
  /** What is to be made again. */
  let repeated = $state.raw<Card | null>(null);
  let beginning = $state(false);
  let newJob = $state<NewJob>();
  let finder = $state<HTMLInputElement>();
  let guide = $state(false);
  let search = $state('');
  let filter = $state<Filter>('all');
  let sort = $state<Sort>('due');

  const cards = $derived(board?.jobs ?? null);
  const shown = $derived(arranged(cards ?? [], search, filter, sort));
  const counts = $derived(counted(cards ?? []));
  const isEmpty = $derived(cards?.length === 0 && !board?.broken.length);

  const shortcuts: Shortcut[] = [
    { keys: 'N', about: 'New job: write words', run: () => newJob?.write() },
    { keys: 'F', about: 'Find a job', run: () => finder?.focus() },
    { keys: 'Ctrl Z', about: 'Bring back the job taken off the board last', run: () => void takeBack() },
  ];

  // What only looks things up must not wipe away what went wrong meanwhile, so each deed of the maker's does.
  async function attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      problem = error instanceof api.Problem ? error : new api.Problem('Something went wrong.', 'Try again.');
    }
  }

  const refresh = () =>
    attempt(async () => {
      board = await api.getBoard(settings.unit);
      if (drawer) drawer = await api.getDrawer(settings.unit);
      if (bin) bin = await api.getDeleted(settings.unit);
    });

  $effect(() => {
    // Asked anew when the unit changes, not for what asking itself changes.
    void settings.unit;
    untrack(() => void refresh());
  });

  $effect(() => {
    void attempt(async () => void (blanks = (await api.getBlanks()).blanks));
    void attempt(async () => void (recipes = (await api.getRecipes('mm')).recipes));
    void attempt(async () => {
      const catalogue = await api.getCatalogue(settings.unit);
      [surfaces, faces] = [catalogue.surfaces, catalogue.faces];
    });
  });

  /** Begin a job in some way, and go to it. */
  async function open(begun: () => Promise<Job>): Promise<void> {
    [beginning, problem] = [true, null];
    await attempt(async () => {
      const { id } = await begun();
      newJob?.forget();
      announce(id);
      await push(`/job/${id}/blank`);
    });
    beginning = false;
  }
  const begin = (start: Start): Promise<void> =>
    open(() =>
      start.artwork && !start.plainer
        ? api.orPlainer(
            () => api.beginJob(start, settings.unit),
            () => void begin({ ...start, plainer: true }),
          )
        : api.beginJob(start, settings.unit),
    );

  /** Do something to a job, and show the board as it is then. */
  async function deed(work: () => Promise<unknown>): Promise<boolean> {
    problem = null;
    await attempt(async () => void (await work()));
    const well = !problem;
    await refresh();
    return well;
  }
  async function away(card: { id: number; name: string }): Promise<void> {
    if (await deed(() => api.putAway(card.id))) taken = { id: card.id, name: card.name, how: 'put away' };
  }
  async function remove(card: { id: number; name: string }): Promise<void> {
    if (await deed(() => api.deleteJob(card.id))) taken = { id: card.id, name: card.name, how: 'deleted' };
  }
  async function back(id: number): Promise<void> {
    if ((await deed(() => api.bringBack(id))) && taken?.id === id) taken = null;
  }
  const takeBack = () => (taken ? back(taken.id) : Promise.resolve());
  const deeds = {
    rename: (card: Card, name: string) => void deed(() => api.renameJob(card.id, name)),
    again: (card: Card) => void (repeated = card),
    putAway: away,
    remove,
  };
  const emptyBin = () =>
    deed(() =>
      Promise.all([...(bin?.jobs ?? []), ...(bin?.broken ?? [])].map((job) => api.eraseJob(job.id))),
    );

  /** Open the drawer of jobs put away, or close it. */
  async function openDrawer(): Promise<void> {
    if (drawer) drawer = null;
    else await attempt(async () => void (drawer = await api.getDrawer(settings.unit)));
  }
  async function openBin(): Promise<void> {
    if (bin) bin = null;
    else await attempt(async () => void (bin = await api.getDeleted(settings.unit)));
  }
</script>

<svelte:head><title>Board - Dunestead</title></svelte:head>
<TopBar {shortcuts}
  ><span class="hidden truncate text-(--faint) lg:inline">Your jobs, and what each one needs next</span>
  <nav class="ml-auto hidden min-w-0 gap-3 md:flex" aria-label="The workshop">{@render books()}</nav>
  <button class="ml-auto shrink-0 cursor-pointer underline md:ml-0" onclick={() => (guide = true)}
    >Words we use</button
  ></TopBar
>

<Guide bind:open={guide} />
<Again
  card={repeated}
  {blanks}
  onclose={() => (repeated = null)}
  onagain={(card, again) => {
    repeated = null;
    void deed(() => api.makeAgain(card.id, again));
  }}
/>

{#snippet books()}
  <a class="underline" href="#/stores">Stores</a>
  <a class="underline" href="#/recipes">Recipes</a>
  <a class="underline" href="#/year">The year</a>
  <a class="underline" href="#/figures">Your figures</a>
{/snippet}

<main class="mx-auto max-w-6xl p-4">
  <h1 class="sr-only">Board</h1>
  {#if problem}<div class="mb-4"><ProblemNote {problem} onclose={() => (problem = null)} /></div>{/if}
  {#if taken}
    <p class="card mb-4 flex items-center gap-4 px-4 py-2" role="status">
      “{taken.name}” is {taken.how}.
      <button class="cursor-pointer font-bold underline" onclick={takeBack}>Bring it back</button>
    </p>
  {/if}
  {#if board?.looks.length}
    <section class="card mb-4 px-4 py-2" aria-label="Prints to look at again">
      <h2 class="m-0 text-base font-bold">Time to check how these wear</h2>
      <ul class="m-0 flex list-none flex-wrap gap-x-5 gap-y-1 p-0">
        {#each board.looks.slice(0, MOST_LOOKS) as due (due.job)}
          <li>
            <a class="font-bold underline" href="#/job/{due.job}/record">{due.name}</a>, {AFTER[due.when]}
          </li>
        {/each}
        {#if board.looks.length > MOST_LOOKS}<li>and {board.looks.length - MOST_LOOKS} more</li>{/if}
      </ul>
    </section>
  {/if}
  {#if isEmpty}<Examples onopen={(key) => open(() => api.openExample(key, settings.unit))} />{/if}
  <NewJob
    bind:this={newJob}
    {surfaces}
    {blanks}
    {faces}
    {recipes}
    busy={beginning}
    onbegin={begin}
    onjobfile={(file) => open(() => api.readJobFile(file, settings.unit))}
  />
  {#if cards && !isEmpty}
    <div class="mt-4 mb-3 flex flex-wrap items-end gap-3" role="search">
      <label class="min-w-48 flex-1 text-sm">
        Find
        <input
          bind:this={finder}
          class="mt-1 block w-full px-2 py-1"
          type="search"
          placeholder="Name, surface or next step"
          bind:value={search}
        />
      </label>
      <div class="flex flex-wrap gap-1" role="group" aria-label="Show only">
        {#each FILTERS as [key, label] (key)}
          <button class="filter" aria-pressed={filter === key} onclick={() => (filter = key)}
            >{label} <span class="text-(--faint)">{counts[key]}</span></button
          >
        {/each}
      </div>
      <div class="w-40"><OneOf label="Order" value={sort} of={SORTS} onchange={(key) => (sort = key)} /></div>
    </div>
    <p class="sr-only" role="status">{shown.length} of {cards.length} jobs shown</p>
  {/if}
  <div class="grid grid-cols-1 gap-4 sm:grid-cols-2 lg:grid-cols-4">
    {#if cards}
      {#each board?.broken ?? [] as broken (broken.id)}<BrokenCard
          {broken}
          onputaway={() => away(broken)}
        />{/each}
      {#each shown as card (card.id)}<JobCard {card} {deeds} />{:else}
        {#if !isEmpty}<p class="col-span-full m-0 p-4">No job matches. Clear the search or show all.</p>{/if}
      {/each}
    {:else if !problem}
      <p class="col-span-full flex items-center gap-3 p-6" role="status">
        <Spinner size="6" /> Fetching your jobs
      </p>
    {/if}
  </div>
  <Drawer
    title="Jobs put away"
    about="Jobs you put away."
    empty="Nothing is put away."
    held={drawer}
    onopen={openDrawer}
    onback={back}
  />
  <Drawer
    title="Deleted jobs"
    about="Erased by themselves 30 days after they were deleted."
    empty="Nothing was deleted."
    held={bin}
    onopen={openBin}
    onback={back}
    onerase={(id) => void deed(() => api.eraseJob(id))}
    onempty={() => void emptyBin()}
  />
  <nav class="mt-4 flex flex-wrap gap-4 font-bold md:hidden" aria-label="The workshop, once more">
    {@render books()}
  </nav>
</main>

<style>
  .filter {
    padding: 0.25rem 0.6rem;
    border: 1.5px solid var(--line);
    border-radius: 0.15rem;
    background: var(--sheet);
    cursor: pointer;
  }
  .filter[aria-pressed='true'] {
    border-color: var(--ink);
    box-shadow: inset 0 -3px 0 var(--signal);
    font-weight: 700;
  }
</style>
