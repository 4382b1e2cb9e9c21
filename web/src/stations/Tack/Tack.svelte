<script lang="ts">
  import FileLink from '../../lib/ui/FileLink.svelte';
  import { settings } from '../../lib/settings.svelte';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import type { PanelProps } from '../station';
  import Distances from './Distances.svelte';
  import LayByTape from './LayByTape.svelte';
  import OwnPlate from './OwnPlate.svelte';
  import Seams from './Seams.svelte';

  const { open, job, catalogue, onrecords }: PanelProps = $props();
  const mask = $derived(job.picture.masks.find((one) => one.number === (open.mask ?? 1)));
  const seams = $derived(
    (job.stations.find((station) => station.code === 'tack')?.tasks ?? []).flatMap((task) => task.seams),
  );
</script>

<p class="m-0 text-sm">
  Bench sheet, to tick off at the table:
  {#each [['a4', 'PDF on A4'], ['letter', 'on Letter']] as const as [paper, name] (paper)}
    <FileLink
      class="ml-2"
      href="/api/jobs/{open.id}/bench-sheet-{paper}.pdf?unit={settings.unit}&copy_no={job.copy_no}"
      >{name}</FileLink
    >
  {/each}
</p>
{#if mask}<Distances {mask} />{/if}
<LayByTape {open} {job} {catalogue} />
{#if seams.some((seam) => seam.pairs.length)}<Seams {open} {seams} />{/if}
{#if job.picture.masks.some((mask) => mask.passes.length)}
  <ChoiceField
    label="Hot plate"
    value={job.inputs.press}
    choices={catalogue.presses}
    onchange={(press) => open.change({ press })}
  />
  <OwnPlate {open} onchanged={onrecords} />
{/if}
{#if job.picture.masks.some((mask) => mask.covers.length)}
  <ChoiceField
    label="Cover it with"
    value={job.inputs.cover_paper}
    choices={catalogue.covers}
    onchange={(cover_paper) => open.change({ cover_paper })}
  />
{/if}
