<script lang="ts">
  import FileLink from '../lib/ui/FileLink.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import { push } from 'svelte-spa-router';
  import * as api from '../lib/api/client';
  import { shareLimits } from '../lib/limits';
  import { settings } from '../lib/settings.svelte';
  import type { Shortcut } from '../lib/shortcuts';
  import OneOf from '../lib/ui/OneOf.svelte';
  import ProblemNote from '../lib/ui/ProblemNote.svelte';
  import TopBar from '../lib/ui/TopBar.svelte';
  import RecipeCard from './RecipeCard.svelte';
  import SideBySide from './SideBySide.svelte';

  const MOST = 4;
  let held = $state.raw<api.Recipes | null>(null);
  let catalogue = $state.raw<api.Catalogue | null>(null);
  let problem = $state.raw<api.Problem | null>(null);
  let query = $state<api.RecipeQuery>({});
  /** Those that lie side by side, as they were chosen. */
  let chosen = $state.raw<number[]>([]);
  let gone = $state.raw<api.Recipe | null>(null);
  let field = $state<HTMLInputElement>();
  shareLimits(() => catalogue?.limits);

  const side = $derived(chosen.flatMap((number) => held?.recipes.filter((one) => one.id === number) ?? []));
  const any = (rows: api.Choice[]): [string, string][] => [
    ['', 'Any'],
    ...rows.map((row): [string, string] => [row.key, row.name]),
  ];

  async function act(what: () => Promise<api.Recipes>): Promise<boolean> {
    try {
      held = await what();
      problem = null;
      return true;
    } catch (error) {
      problem = error instanceof api.Problem ? error : new api.Problem('It could not be done.', 'Try again.');
      return false;
    }
  }
  function compare(number: number): void {
    chosen = chosen.includes(number)
      ? chosen.filter((one) => one !== number)
      : [...chosen, number].slice(-MOST);
  }
  async function drop(recipe: api.Recipe): Promise<void> {
    if (await act(() => api.dropRecipe(recipe.id, settings.unit, query))) gone = recipe;
  }
  async function bringBack(): Promise<void> {
    const last = gone;
    if (last && (await act(() => api.undoRecipe(last.id, settings.unit, query)))) gone = null;
  }
  async function read(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (file && (await act(() => api.readRecipes(file, settings.unit)))) query = {};
    if (field) field.value = '';
  }
  const shortcuts: Shortcut[] = [
    { keys: 'B', about: 'Back to the board', run: () => void push('/') },
    { keys: 'Ctrl Z', about: 'Bring back the recipe removed last', run: () => void bringBack() },
  ];
  $effect(() => {
    const [unit, asked] = [settings.unit, { ...query }];
    void act(() => api.getRecipes(unit, asked));
  });
  $effect(() => {
    api.getCatalogue(settings.unit).then(
      (found) => (catalogue = found),
      () => undefined,
    );
  });
</script>

<svelte:head><title>Recipes - Dunestead</title></svelte:head>
<TopBar {shortcuts}><h1 class="m-0 truncate text-lg font-bold">Recipes</h1></TopBar>

<main class="mx-auto flex max-w-6xl flex-col gap-4 p-4">
  {#if problem}<ProblemNote {problem} onclose={() => (problem = null)} />{/if}
  {#if gone}
    <p class="card m-0 flex items-center gap-4 px-4 py-2" role="status">
      “{gone.name}” is removed.
      <button class="cursor-pointer font-bold underline" onclick={bringBack}>Bring it back</button>
    </p>
  {/if}
  {#if held && catalogue}
    {#if held.total}
      <div class="flex flex-wrap items-end gap-3" role="search">
        <div class="w-full sm:w-52">
          <OneOf
            label="For this surface"
            value={query.surface ?? ''}
            of={any(catalogue.surfaces)}
            onchange={(surface) => (query = { ...query, surface })}
          />
        </div>
        <div class="w-full sm:w-52">
          <OneOf
            label="With this mask"
            value={query.material ?? ''}
            of={any(catalogue.materials)}
            onchange={(material) => (query = { ...query, material })}
          />
        </div>
        <div class="w-full sm:w-52">
          <OneOf
            label="With this paint"
            value={query.paint ?? ''}
            of={any(catalogue.paints)}
            onchange={(paint) => (query = { ...query, paint })}
          />
        </div>
        <p class="m-0 flex-1 text-sm text-(--faint)" role="status">
          {held.recipes.length} of {held.total}. A job begins by one on the board, or takes one up at Mask.
        </p>
      </div>
    {/if}
    {#if side.length > 1}<SideBySide recipes={side} onclose={() => (chosen = [])} />{/if}
    <div class="grid grid-cols-1 gap-4 md:grid-cols-2 lg:grid-cols-3">
      {#each held.recipes as recipe (recipe.id)}
        <RecipeCard
          {recipe}
          compared={chosen.includes(recipe.id)}
          oncompare={() => compare(recipe.id)}
          onchange={(entries) => act(() => api.changeRecipe(recipe.id, settings.unit, query, entries))}
          onundo={() => act(() => api.undoRecipe(recipe.id, settings.unit, query))}
          ondrop={() => drop(recipe)}
        />
      {:else}
        <section class="card col-span-full p-6">
          {#if held.total}
            <p class="m-0">No recipe of yours is for this. Ask for any surface, mask or paint.</p>
          {:else}
            <h2 class="m-0 mb-1 text-lg font-bold">No recipe is kept yet</h2>
            <p class="m-0">
              Give a job that came out well its grade at Record, and keep how it was made: mask, method, cut,
              heat, pins, paint with its coats, and when it was peeled.
            </p>
          {/if}
        </section>
      {/each}
    </div>
    <p class="m-0 text-sm">
      {#if held.total}
        <FileLink href="/api/recipes.json">All recipes as an open file</FileLink>,
      {/if}
      <button class="cursor-pointer font-bold underline" onclick={() => field?.click()}
        >read recipes from a file</button
      >
    </p>
    <input
      bind:this={field}
      class="sr-only"
      type="file"
      accept=".json"
      tabindex="-1"
      aria-label="File of recipes"
      onchange={(event) => void read(event.currentTarget.files)}
    />
  {:else if !problem}
    <p class="flex items-center gap-3 p-6" role="status"><Spinner size="6" /> Fetching your recipes</p>
  {/if}
</main>
