<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import * as api from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';

  interface Props {
    open: OpenJob;
    job: api.Job;
  }
  const { open, job }: Props = $props();

  let kept = $state('');
  async function keep(): Promise<void> {
    try {
      await api.makeRecipe(job.id, settings.unit, job.inputs.name);
      kept = job.inputs.name;
    } catch (error) {
      if (error instanceof api.Problem) open.problem = error;
    }
  }
</script>

<p class="m-0" role="status">
  {#if kept}
    “{kept}” is among <a class="font-bold underline" href="#/recipes">your recipes</a>.
  {:else}
    That worked.
    <button class="cursor-pointer font-bold underline" onclick={keep}>Keep how it was made as a recipe</button
    >
  {/if}
</p>
