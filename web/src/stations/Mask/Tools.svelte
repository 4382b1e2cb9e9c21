<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import { getWorkshop, Problem, setTools, type Catalogue } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';

  interface Props {
    open: OpenJob;
    catalogue: Catalogue;
  }
  const { open, catalogue }: Props = $props();

  let owned = $state.raw<string[] | null>(null);
  let problem = $state('');
  const has = (key: string) => owned === null || owned.includes(key);

  $effect(() => {
    getWorkshop().then(
      (found) => (owned = found.owned),
      () => undefined,
    );
  });
  async function tick(key: string): Promise<void> {
    const all = catalogue.tools.map(([one]) => one);
    const before = owned ?? all;
    try {
      const kept = await setTools(
        before.includes(key) ? before.filter((one) => one !== key) : [...before, key],
      );
      [owned, problem] = [kept.owned, ''];
      await open.load();
    } catch (error) {
      problem = error instanceof Problem ? error.message : 'It could not be saved.';
    }
  }
</script>

<Fold title="What your workshop has">
  <p class="m-0 mb-2 text-sm text-(--faint)">
    Kept for all jobs. A method that wants something else is ruled out.
  </p>
  <div class="flex flex-col gap-1">
    {#each catalogue.tools as [key, name] (key)}
      <Checkbox
        checked={has(key)}
        onclick={(event: MouseEvent) => {
          event.preventDefault();
          void tick(key);
        }}
        class="text-sm text-(--ink)">{name}</Checkbox
      >
    {/each}
  </div>
  {#if problem}<p class="m-0 text-sm text-(--fault)" role="alert">{problem}</p>{/if}
</Fold>
