<script lang="ts">
  import Archive from '@lucide/svelte/icons/archive';
  import type { Card } from '../lib/api/client';
  import StateMark from '../lib/ui/StateMark.svelte';
  import { showDue } from '../lib/units';

  interface Props {
    card: Card;
    onputaway: () => void;
  }
  const { card, onputaway }: Props = $props();

  const late = $derived(!!card.due && new Date(`${card.due}T23:59:59`) < new Date());
  const share = $derived(card.tasks ? card.tasks_done / card.tasks : 0);
</script>

<article class="card relative flex flex-col overflow-hidden">
  <div class="flex flex-1 flex-col">
    <svg
      class="ground block h-44 w-full"
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
    <div class="flex flex-1 flex-col gap-2 p-4">
      <h2 class="stamp m-0 text-xl">
        <a class="after:absolute after:inset-0" href="#/job/{card.id}/{card.station}">{card.name}</a>
      </h2>
      <p class="m-0 text-sm text-(--faint)">
        {card.surface_name}{#if card.due}, <span class:late>{showDue(card.due, new Date())}</span>{/if}
      </p>
      <p class="m-0 flex items-start gap-2">
        <StateMark state={card.state} /> <span><strong>{card.about}:</strong> {card.verdict}</span>
      </p>
      <p class="m-0 mt-auto pt-1 text-sm">
        {#if card.next_title}<strong>Next:</strong> {card.next_title}{:else}<strong>All done.</strong>{/if}
      </p>
    </div>
    <div class="h-1.5 bg-(--line)" role="img" aria-label="{card.tasks_done} of {card.tasks} tasks done">
      <div class="h-full bg-(--grass)" style:width="{share * 100}%"></div>
    </div>
  </div>
  <button
    class="absolute top-2 right-2 z-10 cursor-pointer rounded-md bg-(--sheet) p-2 text-(--ink)"
    aria-label="Put {card.name} away"
    title="Put away"
    onclick={onputaway}><Archive size={16} /></button
  >
</article>

<style>
  .ground {
    background: var(--ground);
  }
  .late {
    color: var(--fault);
    font-weight: 700;
  }
</style>
