<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import * as api from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import { showDate, showMoment } from '../lib/units';
  import AmountField from './AmountField.svelte';

  interface Props {
    item: api.Held;
    /** Does something to it and shows the stores as they are then; says whether it went well. */
    act: (what: () => Promise<api.Stores>) => Promise<boolean>;
    onchange: () => void;
    ondrop: () => void;
    onworn: () => void;
  }
  const { item, act, onchange, ondrop, onworn }: Props = $props();

  let isOpen = $state(false);
  let amount = $state<number | null>(null);
  let note = $state('');
  let book = $state.raw<api.LedgerBook | null>(null);
  const share = $derived(item.left > 0 ? Math.min(Math.max(item.free / item.left, 0), 1) : 0);

  async function look(): Promise<void> {
    book = await api.getLedger(item.id, settings.unit).catch(() => null);
  }
  async function move(what: (amount: number) => Promise<api.Stores>): Promise<void> {
    const much = amount;
    if (much === null) return;
    if (await act(() => what(much))) [amount, note] = [null, ''];
    await look();
  }
  $effect(() => {
    // Asked when it is unfolded, and when what is left has changed.
    if (isOpen && item.left !== undefined) void look();
  });
</script>

<li class="border-t border-(--line) py-1.5 {isOpen ? 'lg:col-span-2' : ''}">
  <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
    {#if item.colour}<span class="chip" style:background={item.colour} aria-hidden="true"></span>{/if}
    <div class="min-w-40 flex-1">
      <h3 class="m-0 text-base font-bold">{item.name}</h3>
      <p class="m-0 text-sm text-(--faint)">
        {[item.about, item.is_offcut ? 'an offcut' : '', item.opened ? `opened ${showDate(item.opened)}` : '']
          .filter(Boolean)
          .join('; ')}
      </p>
    </div>
    <div class="w-52">
      <p class="m-0"><strong class="stamp text-xl normal-case">{item.shown}</strong> left</p>
      {#if item.reserved.length}
        <div class="bar" aria-hidden="true"><span style:width="{share * 100}%"></span></div>
        <p class="m-0 text-sm text-(--faint)">
          {item.free > 0 ? `${item.free_shown} free, the rest` : 'all of it'} for {item.reserved.length === 1
            ? item.reserved[0]?.name
            : `${item.reserved.length} jobs`}
        </p>
      {/if}
    </div>
    <button
      class="cursor-pointer font-bold underline"
      aria-expanded={isOpen}
      aria-label="{isOpen ? 'Close' : 'Open'} {item.name}"
      onclick={() => (isOpen = !isOpen)}>{isOpen ? 'Close' : 'Open'}</button
    >
  </div>
  {#if item.said}<p class="m-0 mt-1 font-bold text-(--fault)" role="alert">{item.said}</p>{/if}
  {#if item.is_low && !item.said}<p class="m-0 mt-1 text-sm font-bold text-(--signal-ink)">
      Less is free than you like to keep.
    </p>{/if}
  {#if isOpen}
    <div class="mt-2 flex flex-wrap items-end gap-3">
      <div class="w-40">
        <AmountField
          label="How much"
          told={item.unit}
          value={amount}
          entry="move.amount"
          onchange={(much) => (amount = much ?? 0)}
        />
      </div>
      <label class="min-w-40 flex-1 text-sm"
        >Note<input class="mt-1 block w-full p-1.5" maxlength="500" bind:value={note} /></label
      >
      <Button
        size="sm"
        disabled={amount === null}
        onclick={() => move((much) => api.countItem(item.id, settings.unit, much, note))}
        >So much was counted</Button
      >
      <Button
        size="sm"
        disabled={!amount}
        onclick={() => move((much) => api.buyItem(item.id, settings.unit, much, note))}
        >So much came in</Button
      >
    </div>
    <div class="mt-2 flex flex-wrap gap-4 text-sm">
      <button class="cursor-pointer underline" onclick={onchange}>Change what is known of it</button>
      {#if item.can_undo}
        <button
          class="cursor-pointer underline"
          onclick={() => act(() => api.undoItem(item.id, settings.unit))}>Take its last change back</button
        >
      {/if}
      {#if book?.can_take_back}
        <button
          class="cursor-pointer underline"
          onclick={async () => {
            await act(() => api.takeBackEntry(item.id, settings.unit));
            await look();
          }}>Take the last entry back</button
        >
      {/if}
      {#if item.kind === 'mask'}
        <button class="cursor-pointer underline" onclick={onworn}>It is worn out: learn from it</button>
      {/if}
      <button class="cursor-pointer underline" onclick={ondrop}>Take it out of the stores</button>
    </div>
    {#if item.reserved.length}
      <p class="m-0 mt-2 text-sm">
        <strong>For</strong>
        {#each item.reserved as one, place (one.job)}{place ? ', ' : ''}<a
            class="underline"
            href="#/job/{one.job}">{one.name}</a
          >
          ({one.shown}){/each}.
      </p>
    {/if}
    {#if item.notes}<p class="m-0 mt-2 text-sm">{item.notes}</p>{/if}
    {#if book}
      <table class="mt-2 w-full text-sm">
        <caption class="text-left font-bold">What went in and out</caption>
        <thead>
          <tr class="text-left">
            <th scope="col">When</th><th scope="col">Why</th><th scope="col" class="text-right">Amount</th><th
              scope="col"
              class="pr-3 text-right">Left</th
            ><th scope="col">Note</th>
          </tr>
        </thead>
        <tbody>
          {#each book.moves as move, index (index)}
            <tr class="border-t border-(--line)">
              <td class="py-0.5">{showMoment(move.at)}</td>
              <td
                >{move.said}{#if move.job}:
                  {#if move.job_name === 'a job that is deleted'}{move.job_name}{:else}<a
                      class="underline"
                      href="#/job/{move.job}">{move.job_name}</a
                    >{/if}{/if}</td
              >
              <td class="text-right whitespace-nowrap">{move.amount > 0 ? '+' : ''}{move.shown}</td>
              <td class="pr-3 text-right whitespace-nowrap">{move.left_shown}</td>
              <td>{[move.note, move.by].filter(Boolean).join(', ')}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  {/if}
</li>

<style>
  .chip {
    width: 1.4rem;
    height: 1.4rem;
    border: 1.5px solid var(--line);
    border-radius: 0.2rem;
  }
  .bar {
    height: 0.4rem;
    border: 1px solid var(--line);
    background: color-mix(in srgb, var(--signal) 35%, var(--sheet));
  }
  .bar span {
    display: block;
    height: 100%;
    background: var(--grass);
  }
</style>
