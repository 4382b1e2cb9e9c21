<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { MaskJob } from './part';
  import type { Catalogue } from '../../lib/api/client';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';

  interface Props {
    open: OpenJob;
    job: MaskJob;
    catalogue: Catalogue;
  }
  const { open, job, catalogue }: Props = $props();

  const inForce = $derived(job.mask.methods.find((one) => one.key === job.method));
  const choices = $derived(
    job.mask.methods.map((one) => ({
      key: one.key,
      name: one.name,
      about: one.about,
      suits: one.allowed ? [job.inputs.surface] : [],
    })),
  );
</script>

<ChoiceField
  label="Mask material"
  value={job.inputs.material}
  choices={catalogue.materials}
  surface={job.inputs.surface}
  onchange={(material) => open.change({ material })}
/>
<ChoiceField
  label="Method: how it travels and holds"
  value={job.method}
  {choices}
  surface={job.inputs.surface}
  onchange={(method) => open.change({ method })}
/>
{#if inForce && !inForce.allowed}
  <p class="m-0 text-sm text-(--fault)">{inForce.why.join(' ')}</p>
{/if}
{#if job.inputs.method !== null && job.inputs.method !== undefined}
  <button class="cursor-pointer self-start text-sm underline" onclick={() => open.change({ method: null })}
    >Take the most fitting</button
  >
{/if}
