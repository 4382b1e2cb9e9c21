<script lang="ts">
  import type { PanelProps } from '../station';
  import ArrangeBar from './ArrangeBar.svelte';
  import DesignParts from './DesignParts.svelte';
  import Findings from '../../job/Findings.svelte';
  import PartEditor from './PartEditor.svelte';
  import SizeRail from './SizeRail.svelte';
  import Whose from './Whose.svelte';

  const { open, job, catalogue }: PanelProps = $props();

  const movable = $derived(job.elements.filter((part) => part.kind !== 'frame'));
</script>

<SizeRail
  rail={job.rail}
  onpeek={(design_width) => open.peek({ design_width })}
  onchange={(design_width) => open.change({ design_width })}
  onfit={open.fit}
  onspot={(at) => (open.spot = at)}
/>
<Findings {open} findings={job.findings} />
<DesignParts {open} parts={job.elements} chosen={open.chosen?.id ?? null} />
{#if open.chosen}
  {#key open.chosen.id}<PartEditor {open} {job} {catalogue} part={open.chosen} />{/key}
{/if}
{#if movable.length > 1}<ArrangeBar {open} count={movable.length} />{/if}
{#if job.elements.some((part) => part.kind === 'drawn' || part.kind === 'traced')}<Whose {open} {job} />{/if}
