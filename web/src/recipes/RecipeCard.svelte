<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import type { Recipe } from '../lib/api/client';
  import TextField from '../lib/ui/TextField.svelte';

  interface Props {
    recipe: Recipe;
    compared: boolean;
    oncompare: () => void;
    onchange: (entries: { name: string; notes: string }) => unknown;
    onundo: () => void;
    ondrop: () => void;
  }
  const { recipe, compared, oncompare, onchange, onundo, ondrop }: Props = $props();

  let isOpen = $state(false);
  const told = $derived(recipe.lines.filter((line) => line.text));
</script>

<article class="card flex flex-col gap-2 p-4" aria-label={recipe.name}>
  <div class="flex items-start gap-3">
    <div class="min-w-0 flex-1">
      <h2 class="m-0 text-lg font-bold">{recipe.name}</h2>
      {#if recipe.made_for && recipe.made_for !== recipe.name}
        <p class="m-0 text-sm text-(--faint)">from {recipe.made_for}</p>
      {/if}
    </div>
    {#if recipe.grade}<p class="stamp m-0 text-2xl" aria-label="Came out {recipe.grade} of 5">
        {recipe.grade}/5
      </p>{/if}
  </div>
  <dl class="m-0 grid grid-cols-[5.5rem_1fr] gap-x-3 text-sm">
    {#each told as line (line.name)}
      <dt class="text-(--faint)">{line.name}</dt>
      <dd class="m-0">{line.text}</dd>
    {/each}
  </dl>
  {#if recipe.notes && !isOpen}<p class="m-0 text-sm whitespace-pre-line">{recipe.notes}</p>{/if}
  {#if isOpen}
    <TextField
      label="Name"
      entry="recipe.name"
      name="recipe/{recipe.id}/name"
      rows={1}
      value={recipe.name}
      onchange={(name) => onchange({ name, notes: recipe.notes })}
    />
    <TextField
      label="Notes"
      entry="recipe.notes"
      name="recipe/{recipe.id}/notes"
      value={recipe.notes}
      onchange={(notes) => onchange({ name: recipe.name, notes })}
    />
  {/if}
  <div class="mt-auto flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
    <Checkbox checked={compared} onchange={oncompare} aria-label="Compare {recipe.name}">Compare</Checkbox>
    <button
      class="cursor-pointer underline"
      aria-expanded={isOpen}
      aria-label="{isOpen ? 'Done with' : 'Name and notes of'} {recipe.name}"
      onclick={() => (isOpen = !isOpen)}>{isOpen ? 'Done' : 'Name and notes'}</button
    >
    {#if recipe.can_undo}<button class="cursor-pointer underline" onclick={onundo}
        >Take its last change back</button
      >{/if}
    <button class="cursor-pointer underline" aria-label="Remove {recipe.name}" onclick={ondrop}>Remove</button
    >
  </div>
</article>
