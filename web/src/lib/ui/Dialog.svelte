<script lang="ts">
  import Modal from 'flowbite-svelte/Modal.svelte';
  import type { Snippet } from 'svelte';

  interface Props {
    open: boolean;
    title: string;
    size: 'sm' | 'lg' | 'xl';
    onclose?: () => void;
    children: Snippet;
  }
  let { open = $bindable(), title, size, onclose, children }: Props = $props();

  /**
   * The browser tells of an opening a moment after it, and the modal takes that for being open now: an Escape pressed
   * in between would open it again.
   */
  function staysClosed(dialog: HTMLElement): () => void {
    const still = (event: Event) => {
      if ((event as ToggleEvent).newState === 'open') event.stopImmediatePropagation();
    };
    dialog.addEventListener('toggle', still, { capture: true });
    return () => dialog.removeEventListener('toggle', still, { capture: true });
  }
</script>

<Modal {@attach staysClosed} bind:open {title} {size} class="bg-(--sheet) text-(--ink)" {onclose}>
  {@render children()}
</Modal>
