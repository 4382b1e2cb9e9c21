<script lang="ts">
  import { settings, UNITS } from '../settings.svelte';

  interface Props {
    /** What was typed, without a unit. */
    text: string;
    onchosen: () => void;
  }
  const { text, onchosen }: Props = $props();
</script>

<!-- Asked once, with the first size that is typed. -->
<div class="mt-1 flex flex-wrap items-center gap-1.5 text-sm" role="group" aria-label="Unit of lengths">
  <span role="status">{text.trim()} what?</span>
  {#each UNITS as unit (unit)}
    <button
      type="button"
      class="cursor-pointer rounded-sm border-2 border-(--line) px-2 py-0.5 font-bold"
      onclick={() => {
        settings.setUnit(unit);
        onchosen();
      }}>{unit}</button
    >
  {/each}
</div>
