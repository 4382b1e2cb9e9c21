<script lang="ts">
  import { words } from '../guide.svelte';
  import { MARKS } from '../marks';
  import Dialog from './Dialog.svelte';

  interface Props {
    open: boolean;
    /** The station at hand, where there is one. */
    station?: string;
  }
  let { open = $bindable(), station }: Props = $props();

  $effect(() => {
    if (open) words.ask();
  });
  const about = $derived(station ? (words.guide?.purposes[station] ?? '') : '');
</script>

<Dialog bind:open title="Guide and words" size="lg">
  {#if about}<p class="m-0">{about}</p>{/if}
  <dl class="m-0 grid grid-cols-1 gap-x-4 gap-y-1 sm:grid-cols-[9rem_1fr]">
    {#each words.guide?.terms ?? [] as { word, meaning } (word)}
      <dt class="font-bold">{word}</dt>
      <dd class="m-0 mb-1">{meaning}</dd>
    {/each}
  </dl>
  <h3 class="m-0 font-bold">Marks on the picture</h3>
  <ul class="m-0 grid list-none grid-cols-1 gap-1 p-0 sm:grid-cols-2">
    {#each MARKS as [outline, kind, meaning] (meaning)}
      <li class="flex items-center gap-2">
        <svg class={kind} width="22" height="22" viewBox="-1 -1 26 26" aria-hidden="true"
          ><path d={outline} /></svg
        >
        {meaning}
      </li>
    {/each}
  </ul>
</Dialog>

<style>
  path {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2.5;
  }
  .broken path {
    stroke-dasharray: 4 3;
  }
  .filled path {
    fill: var(--ink);
  }
  .signal path {
    stroke: var(--signal);
  }
</style>
