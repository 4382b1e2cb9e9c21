<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import { push } from 'svelte-spa-router';
  import * as api from '../lib/api/client';
  import { shareLimits } from '../lib/limits';
  import { settings } from '../lib/settings.svelte';
  import type { Shortcut } from '../lib/shortcuts';
  import ProblemNote from '../lib/ui/ProblemNote.svelte';
  import TopBar from '../lib/ui/TopBar.svelte';
  import ItemForm from './ItemForm.svelte';
  import ItemRow from './ItemRow.svelte';
  import ToBuy from './ToBuy.svelte';

  let stores = $state.raw<api.Stores | null>(null);
  let catalogue = $state.raw<api.Catalogue | null>(null);
  let problem = $state.raw<api.Problem | null>(null);
  /** What the form is for: something new, or one that is changed; null while it is shut. */
  let form = $state.raw<'new' | api.Held | null>(null);
  /** What was taken out last. */
  let gone = $state.raw<api.Held | null>(null);
  shareLimits(() => catalogue?.limits);

  const kinds = $derived(
    (stores?.kinds ?? []).map((kind) => ({
      ...kind,
      items: stores?.items.filter((item) => item.kind === kind.kind && !isUsedUp(item)) ?? [],
    })),
  );
  /** An offcut is used whole: nothing of it comes back but by taking a step back. */
  const isUsedUp = (item: api.Held) => item.is_offcut && item.left === 0;
  const usedUp = $derived(stores?.items.filter(isUsedUp) ?? []);

  async function act(what: () => Promise<api.Stores>): Promise<boolean> {
    try {
      stores = await what();
      problem = null;
      return true;
    } catch (error) {
      problem =
        error instanceof api.Problem ? error : new api.Problem('It could not be saved.', 'Try again.');
      return false;
    }
  }
  // Many jobs are reckoned a few at a time.
  $effect(() => {
    if (stores?.waiting) void act(() => api.getStores(settings.unit));
  });
  async function keep(item: api.Item, left: number): Promise<void> {
    const of = form;
    const kept = await act(() =>
      of === 'new' || of === null
        ? api.addItem(settings.unit, { ...item, left })
        : api.changeItem(of.id, settings.unit, item),
    );
    if (kept) form = null;
  }
  async function takeOut(item: api.Held, how: typeof api.dropItem): Promise<void> {
    if (await act(() => how(item.id, settings.unit))) gone = item;
  }
  async function bringBack(): Promise<void> {
    const last = gone;
    if (last && (await act(() => api.undoItem(last.id, settings.unit)))) gone = null;
  }
  const shortcuts: Shortcut[] = [
    { keys: 'B', about: 'Back to the board', run: () => void push('/') },
    { keys: 'N', about: 'Add to stock', run: () => (form = 'new') },
    { keys: 'Ctrl Z', about: 'Bring back what was taken out last', run: () => void bringBack() },
  ];
  $effect(() => {
    const { unit } = settings;
    void act(() => api.getStores(unit));
    api.getCatalogue(unit).then(
      (found) => (catalogue = found),
      () => undefined,
    );
  });
</script>

<svelte:head><title>Stores - Dunestead</title></svelte:head>
<TopBar {shortcuts}><h1 class="m-0 truncate text-lg font-bold">Stores</h1></TopBar>

<main class="mx-auto flex max-w-6xl flex-col gap-4 p-4">
  {#if problem}<ProblemNote {problem} onclose={() => (problem = null)} />{/if}
  {#if gone}
    <p class="card m-0 flex items-center gap-4 px-4 py-2" role="status">
      “{gone.name}” is taken out.
      <button class="cursor-pointer font-bold underline" onclick={bringBack}>Bring it back</button>
    </p>
  {/if}
  {#if stores && catalogue}
    <div class="flex flex-wrap items-start justify-between gap-3">
      <p class="m-0 max-w-3xl">
        Ticking a step takes its material from stock; unticking puts it back. Jobs due sooner come first, and
        offcuts go before new material.
      </p>
      {#if !form}<Button size="sm" onclick={() => (form = 'new')}>Add to stock</Button>{/if}
    </div>
    {#if form}
      {#key form}
        <ItemForm
          {catalogue}
          kinds={stores.kinds}
          item={form === 'new' ? null : form}
          onkeep={keep}
          oncancel={() => (form = null)}
        />
      {/key}
    {/if}
    {#if stores.waiting}
      <p class="m-0 flex items-center gap-3" role="status">
        <Spinner size="5" /> Reckoning what {stores.waiting === 1
          ? 'one more job'
          : `${stores.waiting} more jobs`} will take
      </p>
    {/if}
    <ToBuy short={stores.short} />
    {#each kinds.filter((kind) => kind.items.length) as kind (kind.kind)}
      <section class="card px-4 pt-3 pb-1" aria-label={kind.name}>
        <h2 class="m-0 mb-1 text-lg font-bold">{kind.name}</h2>
        <ul class="m-0 grid list-none gap-x-8 p-0 lg:grid-cols-2">
          {#each kind.items as item (item.id)}
            <ItemRow
              {item}
              {act}
              onchange={() => {
                form = item;
                scrollTo({ top: 0 });
              }}
              ondrop={() => takeOut(item, api.dropItem)}
              onworn={() => takeOut(item, api.wearOut)}
            />
          {/each}
        </ul>
      </section>
    {:else}
      <section class="card p-6">
        <h2 class="m-0 mb-1 text-lg font-bold">Nothing is in store yet</h2>
        <p class="m-0">
          Put in what you like to keep an account of: mask material, paint, blanks, pins, tape. What you leave
          out nobody asks for.
        </p>
      </section>
    {/each}
    {#if usedUp.length}
      <p class="m-0 text-sm text-(--faint)">
        Offcuts that are used up: {usedUp.map((item) => item.name).join('; ')}.
      </p>
    {/if}
  {:else if !problem}
    <p class="flex items-center gap-3 p-6" role="status"><Spinner size="6" /> Counting</p>
  {/if}
</main>
