<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import type { Again, Card, StoredBlank } from '../lib/api/client';
  import Dialog from '../lib/ui/Dialog.svelte';
  import MainButton from '../lib/ui/MainButton.svelte';

  interface Props {
    /** What is made again; null while the dialog is shut. */
    card: Card | null;
    blanks: StoredBlank[];
    onclose: () => void;
    onagain: (card: Card, again: Again) => void;
  }
  const { card, blanks, onclose, onagain }: Props = $props();

  let name = $state('');
  let due = $state('');
  let chosen = $state<number[]>([]);
  let open = $state(false);
  $effect(() => {
    open = card !== null;
    if (card) [name, due, chosen] = [`${card.name.slice(0, 110)}, again`, '', []];
  });

  function choose(number: number): void {
    chosen = chosen.includes(number) ? chosen.filter((one) => one !== number) : [...chosen, number];
  }
  function begin(): void {
    if (card && name.trim()) onagain(card, { name: name.trim(), due: due || null, blanks: chosen });
  }
</script>

<Dialog bind:open title={card ? `Make again: ${card.name}` : ''} size="lg" {onclose}>
  <p class="m-0 mb-3">
    It keeps the design, the method and the coatings, and begins with nothing done. On another blank the
    design is fitted to it.
  </p>
  <div class="grid gap-3 sm:grid-cols-[2fr_1fr]">
    <label class="text-sm"
      >Name<input class="mt-1 block w-full p-1.5 text-base" maxlength="120" bind:value={name} /></label
    >
    <label class="text-sm"
      >Due<input class="mt-1 block w-full p-1.5 text-base" type="date" bind:value={due} /></label
    >
  </div>
  <fieldset class="m-0 mt-3 border-0 p-0">
    <legend class="mb-1 text-sm"
      >On which blanks? None chosen: on the same. Several: a set, one job each.</legend
    >
    <div class="flex flex-wrap gap-x-5 gap-y-1">
      {#each blanks as blank (blank.id)}
        <Checkbox checked={chosen.includes(blank.id)} onchange={() => choose(blank.id)}
          >{blank.name}, {blank.surface_name.toLowerCase()}</Checkbox
        >
      {:else}
        <p class="m-0 text-sm text-(--faint)">No blanks are kept yet: keep one at Blank, and it is here.</p>
      {/each}
    </div>
  </fieldset>
  <div class="mt-4">
    <MainButton onclick={begin}>{chosen.length > 1 ? `Begin ${chosen.length} jobs` : 'Begin it'}</MainButton>
  </div>
</Dialog>
