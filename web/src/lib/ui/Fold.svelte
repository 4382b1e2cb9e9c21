<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    title: string;
    open?: boolean;
    children: Snippet;
  }
  const { title, open = false, children }: Props = $props();
</script>

<details class="border-t border-(--line) pt-2" {open}>
  <summary class="cursor-pointer font-bold">{title}</summary>
  <div class="mt-2 flex flex-col gap-3 pb-1">{@render children()}</div>
</details>
