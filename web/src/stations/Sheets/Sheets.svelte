<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Download from '@lucide/svelte/icons/download';
  import Button from 'flowbite-svelte/Button.svelte';
  import { settings } from '../../lib/settings.svelte';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import type { PanelProps } from '..';
  import FacingStrip from './FacingStrip.svelte';
  import SheetCard from './SheetCard.svelte';

  const { open, job, catalogue }: PanelProps = $props();
  const widest = $derived(Math.max(...job.sheets.map((sheet) => Math.max(sheet.width, sheet.height))));
</script>

<ChoiceField
  label="Cutter"
  value={job.inputs.cutter}
  choices={catalogue.cutters}
  onchange={(cutter) => open.change({ cutter })}
/>
<LengthField
  label="Overlap of neighbouring sheets"
  value={job.inputs.overlap ?? null}
  otherwise={job.in_force.overlap}
  onchange={(overlap) => open.change({ overlap })}
/>
<Checkbox
  checked={job.inputs.seen_through}
  class="text-(--ink)"
  onchange={() => open.change({ seen_through: !job.inputs.seen_through })}
>
  Seen through the blank, as on the back of glass
</Checkbox>
<FacingStrip mirrored={job.sheets[0]?.mirrored ?? false} seenThrough={job.inputs.seen_through} />
<ul class="m-0 flex list-none flex-col gap-2 p-0">
  {#each job.sheets as sheet (sheet.number)}
    <SheetCard {sheet} jobId={job.id} of={job.sheets.length} {widest} unit={settings.unit} />
  {/each}
</ul>
<Button href="/api/jobs/{job.id}/sheets.zip" color="alternative" class="w-full">
  <Download size={16} />&nbsp;All sheets, the mask and a cut list (zip)
</Button>
