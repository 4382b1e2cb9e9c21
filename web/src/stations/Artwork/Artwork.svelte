<script lang="ts">
  import LengthField from '../../lib/ui/LengthField.svelte';
  import type { PanelProps } from '..';
  import Findings from './Findings.svelte';
  import SizeRail from './SizeRail.svelte';

  const { open, job }: PanelProps = $props();
</script>

<SizeRail
  width={job.inputs.design_width}
  smallest={job.smallest_width}
  largest={job.largest_width}
  onchange={(design_width) => open.change({ design_width })}
/>
<div class="grid grid-cols-3 gap-3">
  <LengthField
    label="Width"
    value={job.inputs.design_width}
    onchange={(mm) => mm && open.change({ design_width: mm })}
  />
  <LengthField
    label="Shift right"
    value={job.inputs.offset_x}
    onchange={(mm) => open.change({ offset_x: mm ?? 0 })}
  />
  <LengthField
    label="Shift down"
    value={job.inputs.offset_y}
    onchange={(mm) => open.change({ offset_y: mm ?? 0 })}
  />
</div>
<Findings findings={job.findings} />
<p class="m-0 text-sm text-(--faint)">From the file {job.artwork_name}.</p>
