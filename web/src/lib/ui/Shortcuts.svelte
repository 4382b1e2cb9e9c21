<script lang="ts">
  import type { Shortcut } from '../shortcuts';
  import Dialog from './Dialog.svelte';

  interface Props {
    open: boolean;
    shortcuts: Shortcut[];
  }
  let { open = $bindable(), shortcuts }: Props = $props();
</script>

<Dialog bind:open title="Keys that work here" size="sm">
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
</Dialog>
