<script lang="ts">
  import MoreHorizontal from '@lucide/svelte/icons/ellipsis';
  import type { Card } from '../lib/api/client';
  import StateMark from '../lib/ui/StateMark.svelte';
  import { showDue } from '../lib/units';

  export interface Deeds {
    rename: (card: Card, name: string) => void;
    again: (card: Card) => void;
    putAway: (card: Card) => void;
    remove: (card: Card) => void;
  }
  interface Props {
    card: Card;
    deeds: Deeds;
  }
  const { card, deeds }: Props = $props();

  const PHASES = { decide: 'To decide', work: 'To do', dry: 'Drying', done: 'Finished' } as const;
  const COUNT = 20;
  const MARKS = Array.from({ length: COUNT }, (_, k) => k);
  let menu = $state<HTMLDetailsElement>();
  let naming = $state(false);
  const late = $derived(!!card.due && new Date(`${card.due}T23:59:59`) < new Date());
  const share = $derived(card.tasks ? card.tasks_done / card.tasks : 0);

  function act(deed: () => void): void {
    if (menu) menu.open = false;
    deed();
  }
  function name(event: Event): void {
    const text = (event.currentTarget as HTMLInputElement).value.trim();
    naming = false;
    if (text && text !== card.name) deeds.rename(card, text);
  }
  const focusOn = (field: HTMLInputElement) => {
    field.focus();
    field.select();
  };
</script>

<svelte:window
  onpointerdown={(event) => {
    if (menu?.open && !menu.contains(event.target as Node)) menu.open = false;
  }}
/>

<article class="card job relative flex flex-col">
  <svg
    class="ground block h-36 w-full"
    viewBox="-12 -12 {card.width + 24} {card.height + 24}"
    aria-hidden="true"
  >
    <path fill={card.blank_colour} d={card.outline} />
    {#each card.colours as colour (colour.colour)}<path
        d={colour.path}
        fill={colour.colour}
        fill-rule="evenodd"
      />{/each}
  </svg>
  <!-- How far the work is, as marks on a rule. -->
  <div class="rule" role="img" aria-label="{card.tasks_done} of {card.tasks} steps done">
    {#each MARKS as k (k)}<span class:filled={(k + 1) / COUNT <= share + 1e-9}></span>{/each}
  </div>
  <div class="flex flex-1 flex-col gap-1.5 p-3">
    {#if naming}
      <input
        class="stamp w-full p-1 text-lg"
        aria-label="New name of {card.name}"
        value={card.name}
        maxlength="120"
        {@attach focusOn}
        onblur={name}
        onkeydown={(event) => {
          if (event.key === 'Enter') name(event);
          if (event.key === 'Escape') naming = false;
        }}
      />
    {:else}
      <h3 class="stamp m-0 pr-8 text-lg">
        <a class="after:absolute after:inset-0" href="#/job/{card.id}/{card.station}">{card.name}</a>
      </h3>
    {/if}
    <p class="m-0 text-sm">
      <span class="tag">{PHASES[card.phase]}</span>
      <span class="text-(--faint)"
        >{card.surface_name}{#if card.due},
          <span class:late>{showDue(card.due, new Date())}</span>{/if}</span
      >
    </p>
    {#if card.state === 'stop' || card.state === 'warn'}
      <p class="m-0 flex items-start gap-2 text-sm">
        <StateMark state={card.state} size={16} />
        <span class="line-clamp-2"><strong>{card.about}:</strong> {card.verdict}</span>
      </p>
    {/if}
    <p class="m-0 mt-auto line-clamp-2 pt-1 text-sm">
      {#if card.next_title}<strong>Next:</strong> {card.next_title}{:else}<strong>All done.</strong>{/if}
    </p>
  </div>
  <details bind:this={menu} class="absolute top-2 right-2 z-10">
    <summary class="menu-button" aria-label="More for {card.name}"><MoreHorizontal size={18} /></summary>
    <div class="card absolute right-0 mt-1 flex w-40 flex-col py-1 text-sm shadow-lg">
      <button class="item" onclick={() => act(() => (naming = true))}>Rename</button>
      <button class="item" onclick={() => act(() => deeds.again(card))}>Make it again</button>
      <a class="item" href="/api/jobs/{card.id}/job-file" download>Save as a file</a>
      <button class="item" onclick={() => act(() => deeds.putAway(card))}>Put away</button>
      <button class="item" onclick={() => act(() => deeds.remove(card))}>Delete</button>
    </div>
  </details>
</article>

<style>
  /* Cards far down are not laid out until they come near. */
  .job {
    content-visibility: auto;
    contain-intrinsic-size: auto 19rem;
    border-radius: 0.25rem;
  }
  .job:has(details[open]) {
    content-visibility: visible;
    z-index: 20;
  }
  .ground {
    background: var(--ground);
    border-radius: 0.25rem 0.25rem 0 0;
  }
  .rule {
    display: flex;
    justify-content: space-between;
    height: 0.6rem;
    padding: 0 0.75rem;
    background: var(--sheet);
    border-top: 1px solid var(--line);
  }
  .rule span {
    width: 2px;
    height: 45%;
    background: var(--line);
  }
  .rule span:nth-child(5n) {
    height: 80%;
  }
  .rule .filled {
    width: 4px;
    background: var(--grass);
  }
  .tag {
    display: inline-block;
    margin-right: 0.35rem;
    padding: 0 0.4rem;
    border: 1.5px solid var(--ink);
    border-radius: 0.15rem;
    font-weight: 700;
  }
  .late {
    color: var(--fault);
    font-weight: 700;
  }
  .menu-button {
    display: block;
    padding: 0.35rem;
    border-radius: 0.2rem;
    background: var(--sheet);
    color: var(--ink);
    cursor: pointer;
    list-style: none;
  }
  .menu-button::-webkit-details-marker {
    display: none;
  }
  .item {
    padding: 0.4rem 0.8rem;
    text-align: left;
    cursor: pointer;
  }
  .item:hover {
    background: var(--paper);
  }
</style>
