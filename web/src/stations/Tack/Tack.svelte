<script lang="ts">
  import FileLink from '../../lib/ui/FileLink.svelte';
  import { settings } from '../../lib/settings.svelte';
  import { has } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import { type PanelProps, taskShown } from '../station';
  import Distances from './Distances.svelte';
  import LayByTape from './LayByTape.svelte';
  import OwnPlate from './OwnPlate.svelte';
  import Seams from './Seams.svelte';

  const { open, job, catalogue, onrecords }: PanelProps = $props();
  const mask = $derived(job.picture.masks.find((one) => one.number === (open.mask ?? 1)));
  const due = $derived(taskShown(open, job, 'tack'));
  const nameOf = (choices: { key: string; name: string }[], key: string) =>
    choices.find((one) => one.key === key)?.name.toLowerCase() ?? key;
  const seams = $derived(
    (job.stations.find((station) => station.code === 'tack')?.tasks ?? []).flatMap((task) => task.seams),
  );
</script>

{#if mask}<Distances {mask} wanted={!!due && due.id === open.job?.next?.task?.id && has(due, 'lays')} />{/if}
<LayByTape {open} {job} {catalogue} />
{#if seams.some((seam) => seam.pairs.length)}<Seams {open} {seams} />{/if}
{#if job.picture.masks.some((mask) => mask.passes.length)}
  <Fold title="Hot plate" value={nameOf(catalogue.presses, job.inputs.press)}>
    <ChoiceField
      label="Hot plate"
      value={job.inputs.press}
      choices={catalogue.presses}
      onchange={(press) => open.change({ press })}
    />
    <OwnPlate {open} onchanged={onrecords} />
  </Fold>
{/if}
{#if job.picture.masks.some((mask) => mask.covers.length)}
  <Fold title="Cover it with" value={nameOf(catalogue.covers, job.inputs.cover_paper)}>
    <ChoiceField
      label="Cover it with"
      value={job.inputs.cover_paper}
      choices={catalogue.covers}
      onchange={(cover_paper) => open.change({ cover_paper })}
    />
  </Fold>
{/if}
<Fold title="Bench sheet">
  <p class="m-0 text-sm">
    {#each [['a4', 'PDF on A4'], ['letter', 'on Letter']] as const as [paper, name] (paper)}
      <FileLink
        class="mr-3"
        href="/api/jobs/{open.id}/bench-sheet-{paper}.pdf?unit={settings.unit}&copy_no={job.copy_no}"
        >{name}</FileLink
      >
    {/each}
  </p>
</Fold>
