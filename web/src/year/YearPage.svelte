<script lang="ts">
  import FileLink from '../lib/ui/FileLink.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import { push } from 'svelte-spa-router';
  import * as api from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import type { Shortcut } from '../lib/shortcuts';
  import OneOf from '../lib/ui/OneOf.svelte';
  import ProblemNote from '../lib/ui/ProblemNote.svelte';
  import TopBar from '../lib/ui/TopBar.svelte';
  import { showVolume } from '../lib/units';
  import Months from './Months.svelte';

  let year = $state.raw<api.Year | null>(null);
  let problem = $state.raw<api.Problem | null>(null);
  let shown = $state<api.Measure>('prints');

  const MEASURES: readonly (readonly [api.Measure, string])[] = [
    ['prints', 'Good prints'],
    ['spoiled', 'Spoiled'],
    ['hours', 'Hours at the bench'],
    ['paint_ml', 'Paint'],
    ['earned', 'Earned'],
    ['spent', 'Spent'],
  ];
  function show(of: api.Period, measure: api.Measure): string {
    const value = of[measure];
    if (measure === 'paint_ml') return showVolume(value, settings.unit);
    if (measure === 'hours') return `${value.toFixed(1)} h`;
    return measure === 'prints' || measure === 'spoiled' ? String(value) : value.toFixed(2);
  }
  async function ask(number: number): Promise<void> {
    try {
      [year, problem] = [await api.getYear(number), null];
    } catch (error) {
      problem =
        error instanceof api.Problem ? error : new api.Problem('The year could not be loaded.', 'Try again.');
    }
  }
  const shortcuts: Shortcut[] = [{ keys: 'B', about: 'Back to the board', run: () => void push('/') }];
  $effect(() => void ask(0));
</script>

<svelte:head><title>Looking over the year - Dunestead</title></svelte:head>
<TopBar {shortcuts}><h1 class="m-0 truncate text-lg font-bold">Looking over the year</h1></TopBar>

<main class="mx-auto flex max-w-6xl flex-col gap-4 p-4">
  {#if problem}<ProblemNote {problem} onclose={() => (problem = null)} />{/if}
  {#if year && year.years.length}
    <div class="flex flex-wrap items-end gap-4">
      <div class="w-32">
        <OneOf
          label="Year"
          value={String(year.year)}
          of={year.years.map((one) => [String(one), String(one)] as const)}
          onchange={(one) => void ask(Number(one))}
        />
      </div>
      <div class="w-52">
        <OneOf label="Shown in the picture" value={shown} of={MEASURES} onchange={(one) => (shown = one)} />
      </div>
      <p class="m-0 flex-1 text-sm text-(--faint)">
        Finished jobs only, in {year.currency}, at the prices they had.
        <FileLink class="text-(--ink)" href="/api/years/{year.year}.csv"
          >As a table for a spreadsheet (CSV)</FileLink
        >
      </p>
    </div>
    <article class="card p-4" aria-label="By month">
      <Months months={year.months} measure={shown} show={(of) => show(of, shown)} />
    </article>
    {#each [['By kind of blank', year.kinds], ['By month', year.months]] as const as [title, rows] (title)}
      <!-- What scrolls is reached by keys. -->
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <article class="card overflow-x-auto p-4" aria-label="{title}, table" tabindex="0">
        <h2 class="m-0 mb-1 text-lg font-bold">{title}</h2>
        <table class="w-full text-right">
          <thead>
            <tr>
              <td></td>
              <th scope="col">Jobs</th>
              {#each MEASURES as [key, name] (key)}<th scope="col" class="pl-3">{name}</th>{/each}
            </tr>
          </thead>
          <tbody>
            {#each rows.filter((row) => row.jobs) as row (row.name)}
              <tr class="border-t border-(--line)">
                <th scope="row" class="py-1 text-left">{row.name}</th>
                <td>{row.jobs}</td>
                {#each MEASURES as [key] (key)}<td class="pl-3">{show(row, key)}</td>{/each}
              </tr>
            {/each}
          </tbody>
          <tfoot>
            <tr class="border-t-2 border-(--ink) font-bold">
              <th scope="row" class="py-1 text-left">In all</th>
              <td>{year.total.jobs}</td>
              {#each MEASURES as [key] (key)}<td class="pl-3">{show(year.total, key)}</td>{/each}
            </tr>
          </tfoot>
        </table>
      </article>
    {/each}
  {:else if year}
    <article class="card p-6">
      <h2 class="m-0 mb-1 text-lg font-bold">Nothing is finished yet</h2>
      <p class="m-0">Finish a job to see its hours, prints and money here.</p>
      <p class="m-0 mt-2"><a class="font-bold underline" href="#/">Back to the board</a></p>
    </article>
  {:else if !problem}
    <p class="flex items-center gap-3 p-6" role="status"><Spinner size="6" /> Adding up</p>
  {/if}
</main>
