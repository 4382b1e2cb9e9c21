<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    title: string;
    /** How it stands now, in words: what most need to know of it. */
    value?: string;
    /** Whether it is open, until the maker opens or closes it, and again when this changes. */
    open?: boolean;
    /** Whether it belongs on paper, open or not. */
    printed?: boolean;
    children: Snippet;
  }
  const { title, value = '', open = false, printed = false, children }: Props = $props();

  let isOpen = $derived(open);
  let onScreen = false;
  function toPaper(): void {
    onScreen = isOpen;
    if (printed) isOpen = true;
  }
  function fromPaper(): void {
    if (printed) isOpen = onScreen;
  }
</script>

<svelte:window onbeforeprint={toPaper} onafterprint={fromPaper} />
<details class="border-t border-(--line) pt-1.5" bind:open={isOpen}>
  <summary class="cursor-pointer leading-5"
    ><span class="font-bold">{title}</span>{#if value}<span class="text-sm">: {value}</span>{/if}</summary
  >
  <div class="mt-2 flex flex-col gap-3 pb-1">{@render children()}</div>
</details>
