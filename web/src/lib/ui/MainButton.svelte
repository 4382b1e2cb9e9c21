<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { ComponentProps } from 'svelte';

  /** The one button of a view that carries the next step: stamped in ink, like a crate's marking. */
  const { children, class: more = '', ...rest }: ComponentProps<typeof Button> = $props();
</script>

<Button {...rest} class="deed {more}">{@render children?.()}</Button>
