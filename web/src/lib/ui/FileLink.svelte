<script lang="ts">
  import type { Snippet } from 'svelte';
  import { fetchFile } from '../files.svelte';
  import Delivered from './Delivered.svelte';

  interface Props {
    href: string;
    class?: string;
    children: Snippet;
  }
  const { href, class: more = '', children }: Props = $props();

  /** With a key held it opens as any link does. */
  function fetched(event: MouseEvent): void {
    if (event.ctrlKey || event.metaKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    void fetchFile(href);
  }
</script>

<a class="font-bold underline {more}" {href} download onclick={fetched}>{@render children()}</a>
<Delivered {href} />
