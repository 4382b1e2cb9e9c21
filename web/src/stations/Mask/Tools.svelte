<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import { Kit } from '../../job/kit.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Catalogue } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';

  interface Props {
    open: OpenJob;
    catalogue: Catalogue;
  }
  const { open, catalogue }: Props = $props();

  const kit = new Kit();
  $effect(() => void kit.look());
  async function keep(entries: Parameters<Kit['keep']>[1]): Promise<void> {
    if (await kit.keep(catalogue, entries)) await open.load();
  }
  const named = (of: { key: string; name: string }[]) => of.map((one) => [one.key, one.name] as const);
</script>

<Fold title="What your workshop has">
  <p class="m-0 mb-2 text-sm text-(--faint)">
    Kept for all jobs. New ones are planned for this cutter and plate; a method or paint that wants something
    else is ruled out.
  </p>
  <OneOf
    label="New jobs are cut on"
    value={kit.cutter ?? ''}
    of={[['', 'Not said'], ...named(catalogue.cutters)]}
    onchange={(cutter) => cutter && void keep({ cutter })}
  />
  <OneOf
    label="and pressed with"
    value={kit.press ?? ''}
    of={[['', 'Not said'], ...named(catalogue.presses)]}
    onchange={(plate) => plate && void keep({ plate })}
  />
  <div class="flex flex-col gap-1">
    {#each catalogue.tools as [key, name] (key)}
      <Checkbox
        checked={kit.has(key)}
        onclick={(event: MouseEvent) => {
          event.preventDefault();
          void keep({ tools: { [key]: !kit.has(key) } });
        }}
        class="text-sm text-(--ink)">{name}</Checkbox
      >
    {/each}
  </div>
  {#if kit.problem}<p class="m-0 text-sm text-(--fault)" role="alert">{kit.problem}</p>{/if}
</Fold>
