<script lang="ts">
  import FileLink from '../lib/ui/FileLink.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import { push } from 'svelte-spa-router';
  import * as api from '../lib/api/client';
  import { shareLimits } from '../lib/limits';
  import { settings } from '../lib/settings.svelte';
  import type { Shortcut } from '../lib/shortcuts';
  import MainButton from '../lib/ui/MainButton.svelte';
  import NumberField from '../lib/ui/NumberField.svelte';
  import ProblemNote from '../lib/ui/ProblemNote.svelte';
  import TopBar from '../lib/ui/TopBar.svelte';
  import ByNumber from './ByNumber.svelte';
  import Rates from './Rates.svelte';

  interface Props {
    params: { id: string };
  }
  const { params }: Props = $props();

  /** What money is called while nobody has said. */
  const UNNAMED = 'money';
  let costs = $state.raw<api.Costs | null>(null);
  let catalogue = $state.raw<api.Catalogue | null>(null);
  let problem = $state.raw<api.Problem | null>(null);
  shareLimits(() => catalogue?.limits);

  const fieldId = $props.id();
  let named = $state('');
  const id = $derived(Number(params.id));
  /** The workshop's word for money, once it has been asked for. */
  const currency = $derived(costs?.rates.currency === UNNAMED ? '' : (costs?.rates.currency ?? ''));
  const money = (sum: number) => `${sum.toFixed(2)} ${currency}`.trim();
  const file = (paper: string) => `/api/jobs/${id}/quotation-${paper}.pdf?unit=${settings.unit}`;

  async function act(what: () => Promise<unknown>): Promise<void> {
    try {
      await what();
      costs = await api.getCosts(id, settings.unit);
      problem = null;
    } catch (error) {
      problem =
        error instanceof api.Problem ? error : new api.Problem('It could not be reckoned.', 'Try again.');
    }
  }
  const price = (entry: Partial<api.PriceEntry>) =>
    act(() => api.setPrice(id, settings.unit, { ...costs?.entry, ...entry }));
  const rates = (entry: Partial<api.RatesEntry>) =>
    act(() => api.setRates({ currency: UNNAMED, ...costs?.rates, ...entry }));
  const back = () => void push(`/job/${id}/record`);
  const shortcuts: Shortcut[] = [
    { keys: 'B', about: 'Back to the board', run: () => void push('/') },
    { keys: 'G', about: 'Back to the job', run: back },
  ];
  $effect(() => {
    void act(() => Promise.resolve(id));
    api.getCatalogue(settings.unit).then(
      (found) => (catalogue = found),
      () => undefined,
    );
  });
</script>

<svelte:head><title>{costs ? `Price of ${costs.name}` : 'Price'} - Dunestead</title></svelte:head>
<TopBar {shortcuts}>
  <h1 class="m-0 truncate text-lg font-bold">{costs ? `Cost and price: ${costs.name}` : 'Cost and price'}</h1>
  <a class="ml-auto shrink-0 underline" href="#/job/{id}/record">To the job</a>
</TopBar>

<main class="mx-auto flex max-w-6xl flex-col gap-4 p-4">
  {#if problem}<ProblemNote {problem} onclose={() => (problem = null)} />{/if}
  {#if costs && catalogue && !currency}
    <form
      class="card flex flex-wrap items-end gap-3 px-4 py-3"
      onsubmit={(event) => {
        event.preventDefault();
        if (named.trim()) void rates({ currency: named.trim() });
      }}
    >
      <label class="text-sm" for="{fieldId}-currency">Which money do you reckon in?</label>
      <input
        id="{fieldId}-currency"
        class="w-28 rounded-lg border border-(--line) bg-(--sheet) p-2"
        placeholder="€, £, $"
        maxlength={catalogue.limits['rates.currency']?.most}
        bind:value={named}
      />
      <MainButton size="sm" type="submit" disabled={!named.trim()}>Keep it for all prices</MainButton>
    </form>
  {/if}
  {#if costs && catalogue}
    <div class="grid items-start gap-4 lg:grid-cols-[3fr_2fr]">
      <article class="card p-4" aria-label="What it costs">
        <h2 class="m-0 mb-2 text-lg font-bold">
          What {costs.copies === 1 ? 'it costs' : `all ${costs.copies} copies cost`}
        </h2>
        <table class="w-full">
          <tbody>
            {#each costs.lines as line, index (index)}
              <tr class="border-t border-(--line) align-top">
                <th scope="row" class="py-1 pr-3 text-left">{line.name}</th>
                <td class="py-1 pr-3 text-sm text-(--faint)">{line.why}</td>
                <td class="py-1 text-right whitespace-nowrap">{money(line.money)}</td>
              </tr>
            {/each}
          </tbody>
          <tfoot>
            <tr class="border-t-2 border-(--ink) font-bold">
              <th scope="row" class="py-1 text-left">In all</th>
              <td></td>
              <td class="py-1 text-right whitespace-nowrap">{money(costs.batch)}</td>
            </tr>
          </tfoot>
        </table>
        {#each costs.lacks as lack (lack)}
          <p class="m-0 mt-2 font-bold" role="status">No price is known of {lack}: it is not in the sum.</p>
        {/each}
      </article>

      <div class="flex flex-col gap-4">
        <article class="card p-4" aria-label="Price of one">
          <h2 class="m-0 text-lg font-bold">Price of one</h2>
          <p class="stamp m-0 text-3xl normal-case">{money(costs.price)}</p>
          <p class="m-0">
            It costs {money(costs.a_copy)}; {costs.left_over.toFixed(0)} % of the price is left over{costs
              .entry.asked === null || costs.entry.asked === undefined
              ? ', as the workshop wants'
              : `; by the workshop’s margin it would be ${money(costs.by_margin)}`}.
          </p>
          {#if costs.left_over < 0}<p class="m-0 font-bold text-(--fault)" role="alert">
              That is less than it costs.
            </p>{/if}
          {#if costs.against_bought !== null}
            <p class="m-0">
              {costs.against_bought === 0
                ? 'As much as in a shop.'
                : `${money(Math.abs(costs.against_bought))} ${costs.against_bought > 0 ? 'more' : 'less'} than in a shop.`}
            </p>
          {/if}
          {#if costs.rights}<p class="m-0 text-sm text-(--faint)">{costs.rights}</p>{/if}
          <div class="mt-3 grid grid-cols-3 gap-3">
            <NumberField
              label="A blank costs"
              entry="price.blank_price"
              value={costs.entry.blank_price ?? null}
              otherwise={0}
              onchange={(blank_price) => price({ blank_price })}
            />
            <NumberField
              label="In a shop"
              entry="price.bought_price"
              value={costs.entry.bought_price ?? null}
              otherwise={0}
              onchange={(bought_price) => price({ bought_price })}
            />
            <NumberField
              label="I ask for"
              entry="price.asked"
              value={costs.entry.asked ?? null}
              otherwise={Number(costs.by_margin.toFixed(2))}
              onchange={(asked) => price({ asked })}
            />
          </div>
          <p class="m-0 mt-3">
            <FileLink href={file('a4')}>Quotation on A4</FileLink>,
            <FileLink href={file('letter')}>on Letter</FileLink>
            <span class="text-sm text-(--faint)">with the picture, sizes, colours, care and price alone</span>
          </p>
        </article>
        <ByNumber {costs} />
      </div>
    </div>
    <Rates {costs} onchange={(entry) => void rates(entry)} onundo={() => void act(() => api.undoRates())} />
  {:else if !problem}
    <p class="flex items-center gap-3 p-6" role="status"><Spinner size="6" /> Reckoning</p>
  {/if}
</main>
