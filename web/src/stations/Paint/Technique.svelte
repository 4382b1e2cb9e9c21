<script lang="ts">
  import type { PaintRoom } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';

  interface Props {
    technique: PaintRoom['technique'];
  }
  const { technique }: Props = $props();
  /** Coatings that go on alike share a card. */
  const cards = $derived(
    technique.filter(
      (card, at) =>
        technique.findIndex((one) => JSON.stringify(one.tips) === JSON.stringify(card.tips)) === at,
    ),
  );
</script>

<Fold title="Technique">
  {#each cards as card (card.number)}
    {#if cards.length > 1}<p class="m-0 mb-1 text-sm font-bold">{card.name}</p>{/if}
    <dl class="m-0 mb-3 grid grid-cols-[5.5rem_1fr] gap-x-2 gap-y-1 text-sm">
      {#each card.tips as tip (tip.title)}
        <dt class="font-bold">{tip.title}</dt>
        <dd class="m-0">{tip.text}</dd>
      {/each}
    </dl>
  {/each}
</Fold>
