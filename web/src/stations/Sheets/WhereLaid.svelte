<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import { onDestroy } from 'svelte';
  import type { ToolsProps } from '../station';
  import { laid } from './laid.svelte';

  const { print }: ToolsProps = $props();

  const WHERE = [
    [true, 'On the cutting mat'],
    [false, 'On the blank'],
  ] as const;

  onDestroy(() => (laid.onMat = true));
</script>

{#if !print}
  <div class="flex gap-1" role="group" aria-label="How sheets are shown">
    {#each WHERE as [mat, name] (name)}
      <Button
        color="alternative"
        size="xs"
        class="bg-(--sheet) {laid.onMat === mat ? 'font-bold underline' : ''}"
        aria-pressed={laid.onMat === mat}
        onclick={() => (laid.onMat = mat)}>{name}</Button
      >
    {/each}
  </div>
{/if}
