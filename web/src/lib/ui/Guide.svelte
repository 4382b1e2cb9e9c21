<script lang="ts">
  import { GLOSSARY } from '../glossary';
  import Dialog from './Dialog.svelte';

  interface Props {
    open: boolean;
    /** What the station at hand is for; empty where none is. */
    about?: string;
  }
  let { open = $bindable(), about = '' }: Props = $props();
</script>

<Dialog bind:open title="Guide and words" size="lg">
  {#if about}<p class="m-0">{about}</p>{/if}
  <dl class="m-0 grid grid-cols-1 gap-x-4 gap-y-1 sm:grid-cols-[9rem_1fr]">
    {#each GLOSSARY as [word, meaning] (word)}
      <dt class="font-bold">{word}</dt>
      <dd class="m-0 mb-1">{meaning}</dd>
    {/each}
  </dl>
</Dialog>
