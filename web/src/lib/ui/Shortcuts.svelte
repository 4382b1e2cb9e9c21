<script lang="ts">
  import Modal from 'flowbite-svelte/Modal.svelte';
  import type { Shortcut } from '../shortcuts';
  import { staysClosed } from './dialog';

  interface Props {
    open: boolean;
    shortcuts: Shortcut[];
  }
  let { open = $bindable(), shortcuts }: Props = $props();
</script>

<Modal
  {@attach staysClosed}
  bind:open
  title="Keys that work here"
  size="sm"
  class="bg-(--sheet) text-(--ink)"
>
  <dl class="grid grid-cols-[max-content_1fr] items-center gap-x-5 gap-y-2">
    {#each shortcuts.filter((shortcut) => shortcut.shown !== null) as shortcut (shortcut.keys)}
      <dt>
        <kbd class="rounded border border-(--line) px-2 py-0.5 font-sans font-bold"
          >{shortcut.shown ?? shortcut.keys}</kbd
        >
      </dt>
      <dd class="m-0 text-(--ink)">{shortcut.about}</dd>
    {/each}
  </dl>
</Modal>
