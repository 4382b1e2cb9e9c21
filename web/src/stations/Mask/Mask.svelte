<script lang="ts">
  import Findings from '../../job/Findings.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import type { PanelProps } from '../station';
  import Bridges from './Bridges.svelte';
  import MaskKind from './MaskKind.svelte';
  import Materials from './Materials.svelte';
  import Methods from './Methods.svelte';
  import type { MaskJob } from './part';
  import PieceTray from './PieceTray.svelte';
  import Recipes from './Recipes.svelte';

  const { open, job, catalogue }: PanelProps & { job: MaskJob } = $props();

  // A base coat that a reverse mask lacks is missed here; what is only worth knowing of a place is told with the design.
  const found = $derived(
    job.findings.filter(
      ({ station, severity, at }) =>
        (station === 'mask' || station === 'blank') && (severity !== 'note' || at === null),
    ),
  );
  const weak = $derived(job.weak.filter((place) => place.severity !== 'note' && place.listed));
  const hardly = $derived(job.weak.filter((place) => place.severity === 'note').length);

  function show(key: string): void {
    open.mask = job.weak.find((place) => place.key === key)?.mask ?? open.mask;
  }
</script>

<Methods {open} {job} {catalogue} />
<Findings {open} findings={found} />
{#if job.pieces.length}<PieceTray {open} {job} />{/if}
{#if job.pieces.length || job.picture.masks.some((mask) => mask.bridges.length)}<Bridges {open} {job} />{/if}
<Findings {open} findings={weak} title="Necks and tongues" onlook={show} />
{#if hardly}
  <p class="m-0 text-sm text-(--faint)">
    {hardly} more just over the limit, in grey.
  </p>
{/if}
<Fold
  title="The mask"
  open={job.inputs.reverse || job.picture.masks.length > 1 || job.mask.advice.masks === 'each'}
>
  <MaskKind {open} {job} />
  <LengthField
    label="Border"
    entry="mask.border"
    value={job.inputs.border ?? null}
    otherwise={job.in_force.border}
    onchange={(border) => open.change({ border })}
  />
</Fold>
<Recipes {open} {job} />
<Fold title="Which material, and is it worth using again"><Materials {open} {job} /></Fold>
