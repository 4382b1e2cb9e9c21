<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import * as api from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import Fold from '../../lib/ui/Fold.svelte';

  interface Props {
    open: OpenJob;
    job: api.Job;
  }
  const { open, job }: Props = $props();

  let recipes = $state.raw<api.Recipe[]>([]);
  const surface = $derived(job.inputs.surface);
  $effect(() => {
    api.getRecipes(settings.unit, { surface }).then(
      (found) => (recipes = found.recipes),
      () => undefined,
    );
  });
  /** The recipe that brought nothing new. */
  let same = $state<number | null>(null);
  async function take(recipe: api.Recipe): Promise<void> {
    const before = open.job?.version;
    await open.takeRecipe(recipe.id);
    same = open.job?.version === before && !open.problem ? recipe.id : null;
  }
  const said = (of: api.Recipe, name: string) => of.lines.find((line) => line.name === name)?.text ?? '';
</script>

{#if recipes.length}
  <Fold title="Your recipes for this surface: {recipes.length}">
    {#each recipes as recipe (recipe.id)}
      <p class="m-0 text-sm">
        <strong>{recipe.name}</strong>: {said(recipe, 'Method').toLowerCase()}; {said(
          recipe,
          'Paint',
        ).toLowerCase()}{recipe.grade ? `; came out ${recipe.grade} of 5` : ''}.
        <button
          class="cursor-pointer font-bold underline"
          aria-label="Make it by “{recipe.name}”"
          onclick={() => take(recipe)}>Make it so</button
        >
        {#if same === recipe.id}<span role="status">It is made so already.</span>{/if}
      </p>
    {/each}
    <p class="m-0 text-sm"><a class="underline" href="#/recipes">All recipes, side by side</a></p>
  </Fold>
{/if}
