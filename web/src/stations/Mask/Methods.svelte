<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Catalogue } from '../../lib/api/client';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import MethodRow from './MethodRow.svelte';
  import type { MaskJob } from './part';
  import Tools from './Tools.svelte';

  interface Props {
    open: OpenJob;
    job: MaskJob;
    catalogue: Catalogue;
  }
  const { open, job, catalogue }: Props = $props();

  const inForce = $derived(job.mask.methods.find((one) => one.key === job.method));
  const able = $derived(job.mask.methods.filter((one) => one.allowed));
  const ruledOut = $derived(job.mask.methods.filter((one) => !one.allowed));
</script>

<ChoiceField
  label="Mask material"
  value={job.inputs.material}
  choices={catalogue.materials}
  surface={job.inputs.surface}
  onchange={(material) => open.change({ material })}
/>
<section aria-labelledby="method-head">
  <h3 id="method-head" class="m-0 mb-1 text-sm font-normal">Method</h3>
  {#if inForce}
    <p class="m-0 font-bold">{inForce.name}</p>
    {#if !inForce.allowed}
      <p class="m-0 text-sm text-(--fault)">{inForce.why.join(' ')}</p>
    {/if}
  {/if}
</section>
<Fold title="Methods" value="{able.length} of {able.length + ruledOut.length} will do">
  {#if job.inputs.method !== null && job.inputs.method !== undefined}
    <button class="cursor-pointer text-sm underline" onclick={() => open.change({ method: null })}
      >Use the best fit</button
    >
  {/if}
  <h4 class="m-0 text-sm font-bold">The most fitting first</h4>
  <ol class="m-0 flex list-none flex-col gap-3 p-0 text-sm">
    {#each able as method (method.key)}
      <MethodRow {open} {job} {method} inForce={method.key === job.method} />
    {/each}
  </ol>
  {#if ruledOut.length}<h4 class="m-0 text-sm font-bold">These will not do</h4>{/if}
  <ol class="m-0 flex list-none flex-col gap-3 p-0 text-sm">
    {#each ruledOut as method (method.key)}
      <MethodRow {open} {job} {method} inForce={method.key === job.method} />
    {/each}
  </ol>
  <Tools {open} {catalogue} />
</Fold>
