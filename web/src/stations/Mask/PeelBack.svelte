<script lang="ts">
  import { onDestroy } from 'svelte';
  import type { ToolsProps } from '../station';
  import { peeling } from './peeling.svelte';

  const { print }: ToolsProps = $props();

  // Whoever comes back finds the mask lying.
  onDestroy(() => (peeling.share = 0));
</script>

{#if !print}
  <label class="peel">
    Peel back
    <input type="range" min="0" max="1" step="0.01" bind:value={peeling.share} class="accent-(--grass)" />
  </label>
{/if}

<style>
  .peel {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    border: 1px solid var(--line);
    border-radius: 0.6rem;
    background: var(--sheet);
    padding: 0.2rem 0.6rem;
    font-size: 0.875rem;
  }
</style>
