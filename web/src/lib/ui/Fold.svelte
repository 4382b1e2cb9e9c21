<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    title: string;
    open?: boolean;
    children: Snippet;
  }
  const { title, open = false, children }: Props = $props();
</script>

<details class="border-t border-(--line) pt-1.5" {open}>
  <summary class="cursor-pointer leading-5 font-bold">{title}</summary>
  <div class="mt-2 flex flex-col gap-3 pb-1">{@render children()}</div>
</details>
