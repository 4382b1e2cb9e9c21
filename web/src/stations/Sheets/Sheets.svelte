<script lang="ts">
  import FileLink from '../../lib/ui/FileLink.svelte';
  import { untrack } from 'svelte';
  import type { CutFault } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import Tick from '../../lib/ui/Tick.svelte';
  import type { PanelProps } from '../station';
  import { CutterWatch } from './cutter.svelte';
  import CutterQueue from './CutterQueue.svelte';
  import FacingStrip from './FacingStrip.svelte';
  import Layouts from './Layouts.svelte';
  import LookLonger from './LookLonger.svelte';
  import PatchList from './PatchList.svelte';
  import Records from './Records.svelte';
  import SeamList from './SeamList.svelte';
  import SheetCard from './SheetCard.svelte';
  import TestCut from './TestCut.svelte';
  import type { SheetsJob } from './part';
  import { sheetsAndSeams } from './words';
  import TrimPlan from './TrimPlan.svelte';

  const { open, job, catalogue, onrecords }: PanelProps & { job: SheetsJob } = $props();

  const watch = new CutterWatch();
  let fault = $state<CutFault | ''>('');
  const sheets = $derived(job.sheets);
  const isWarned = $derived(job.stations.some((one) => one.code === 'sheets' && one.state === 'warn'));
  /** The maker wants the files although something red stands in the way; said for this look at the job only. */
  let anyway = $state(false);
  /** The main button hands them out, or something comes before. */
  const asksFirst = $derived(
    job.stations.some((one) => one.code === 'sheets' && one.onward !== null && one.onward.deed !== 'go'),
  );
  const shut = $derived(job.held !== null && !anyway);
  const asked = $derived(job.held !== null ? '&anyway=true' : '');
  const stock = $derived<[string, string][]>([
    ['', 'As it usually comes'],
    ...(open.workshop?.stock ?? [])
      .filter((one) => one.material === job.inputs.material)
      .map((one): [string, string] => [String(one.id), one.name]),
  ]);
  const named = (choices: { key: string; name: string }[], key: string) =>
    choices.find((one) => one.key === key)?.name ?? key;

  $effect(() => {
    // Once, whatever they read on the way.
    untrack(() => {
      void watch.look();
      void open.loadWorkshop();
    });
    return () => watch.leave();
  });
</script>

{#if job.held !== null}
  <div class="rounded-lg border-2 border-(--fault) p-3 text-sm" role="alert">
    <p class="m-0 font-bold">{job.held}</p>
    <Tick
      label="Download the files anyway; this is written to the job's log"
      checked={anyway}
      onchange={(on) => (anyway = on)}
    />
    {#if anyway}
      <p class="m-0 mt-1">
        <FileLink href="/api/jobs/{job.id}/sheets.zip?unit={settings.unit}{asked}"
          >All sheets in one zip</FileLink
        >
      </p>
    {/if}
  </div>
{/if}
{#if !shut && job.held === null && !asksFirst}
  <p class="m-0 text-sm">
    <FileLink href="/api/jobs/{job.id}/sheets.zip?unit={settings.unit}">All files</FileLink>
  </p>
{/if}
{#if isWarned && sheets.sheets.every((sheet) => !sheet.faults.length)}
  <!-- Else the verdict says it. -->
  <p class="m-0 text-sm text-(--grass)">All checked by a simulated cut: it comes out as planned.</p>
{/if}
<ul class="m-0 flex list-none flex-col gap-2 p-0" aria-label="Files of every sheet">
  {#each sheets.sheets as sheet (sheet.number)}
    <SheetCard
      {sheet}
      {sheets}
      jobId={job.id}
      unit={settings.unit}
      {shut}
      {asked}
      oncut={() => void watch.send(job.id, sheet.number, fault || null, anyway)}
    />
  {/each}
</ul>
<Fold title="Layout" value={sheetsAndSeams(sheets.count, sheets.seams.length * sheets.sets)}>
  <Layouts {open} {job} />
  <LookLonger {open} {job} />
  <PatchList {open} {job} />
  <SeamList {sheets} unit={settings.unit} />
  <TrimPlan {job} unit={settings.unit} />
</Fold>
<Fold title="Cutter" value={named(catalogue.cutters, job.inputs.cutter)}>
  <ChoiceField
    label="Cutter"
    value={job.inputs.cutter}
    choices={catalogue.cutters}
    onchange={(cutter) => open.change({ cutter })}
  />
</Fold>
{#if !sheets.by_hand}<CutterQueue {watch} jobId={job.id} {fault} onfault={(to) => (fault = to)} />{/if}
<Fold title="Facing" value={sheets.sheets[0]?.mirrored ? 'cut mirrored' : 'not mirrored'}>
  <FacingStrip stages={sheets.stages} />
  <p class="m-0 text-sm">{sheets.facing}</p>
  {#if sheets.school}
    {@const school = sheets.school}
    <p class="m-0 text-sm text-(--faint)">
      {school.advised ? 'Strokes are fine here: better' : 'Or'}
      <button class="cursor-pointer font-bold underline" onclick={() => open.change({ material: school.key })}
        >{school.name.toLowerCase()}</button
      >. {school.about}
    </p>
  {/if}
</Fold>
{#if !sheets.by_hand}
  <TestCut
    {open}
    {job}
    material={named(catalogue.materials, job.inputs.material)}
    cutter={named(catalogue.cutters, job.inputs.cutter)}
  />
{/if}
<Records {open} {job} unit={settings.unit} onchanged={onrecords}>
  <div class="grid grid-cols-2 gap-3">
    <OneOf
      label="Material in store"
      value={job.inputs.stock === null ? '' : String(job.inputs.stock)}
      of={stock}
      onchange={(key) => open.change({ stock: key ? Number(key) : null })}
    />
    <LengthField
      label="Overlap at seams"
      entry="sheets.overlap"
      value={job.inputs.overlap ?? null}
      otherwise={job.in_force.overlap}
      onchange={(overlap) => open.change({ overlap })}
    />
  </div>
  <p class="m-0 text-sm">
    <FileLink href="/api/jobs/{job.id}/job-file">Save this job as an open file</FileLink>
  </p>
</Records>
