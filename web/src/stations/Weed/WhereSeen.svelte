<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { ToolsProps } from '../station';
  import { table } from './table.svelte';

  const { print }: ToolsProps = $props();
</script>

{#if !print}
  <div class="flex gap-1" role="group" aria-label="What the picture shows">
    {#each [[true, 'Sheet and blank'], [false, 'The blank alone']] as const as [on, name] (name)}
      <Button
        color="alternative"
        size="xs"
        class="bg-(--sheet) {table.on === on ? 'font-bold underline' : ''}"
        aria-pressed={table.on === on}
        onclick={() => (table.on = on)}>{name}</Button
      >
    {/each}
  </div>
{/if}
