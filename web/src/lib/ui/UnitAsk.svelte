<script lang="ts">
  import { settings, UNIT_NAMES, UNITS } from '../settings.svelte';
</script>

{#if !settings.unitChosen}
  <div
    class="card mb-4 flex flex-wrap items-center gap-3 px-4 py-2"
    role="group"
    aria-label="Unit of lengths"
  >
    <span>Do you measure in {UNIT_NAMES[settings.unit].toLowerCase()}?</span>
    {#each UNITS as unit (unit)}
      <button
        class="cursor-pointer rounded-sm border-2 border-(--line) px-3 py-0.5 font-bold"
        onclick={() => settings.setUnit(unit)}>{unit === settings.unit ? `Yes, ${unit}` : unit}</button
      >
    {/each}
  </div>
{/if}
