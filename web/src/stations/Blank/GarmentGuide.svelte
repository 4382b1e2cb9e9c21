<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { BlankEntry, Catalogue, Job } from '../../lib/api/client';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';

  interface Props {
    open: OpenJob;
    job: Job;
    catalogue: Catalogue;
    blank: BlankEntry;
  }
  const { open, job, catalogue, blank }: Props = $props();

  type Garment = NonNullable<BlankEntry['garment']>;
  const START: Garment = { size: 'm', placement: 'full-front', drop: null, across: null, widest: null };
  const garment = $derived<Garment>(blank.garment ?? START);
  const collar = $derived(job.picture.collar);
  const set = (change: Partial<Garment>) =>
    open.changeBlank((now) => ({ garment: { ...(now.garment ?? START), ...change } }));
</script>

<section class="card flex flex-col gap-3 p-3" aria-label="Placement guide">
  <div class="grid grid-cols-2 gap-3">
    <ChoiceField
      label="Size"
      value={garment.size ?? 'm'}
      choices={catalogue.garments}
      onchange={(size) => set({ size })}
    />
    <ChoiceField
      label="The design goes"
      value={garment.placement ?? 'full-front'}
      choices={catalogue.placements}
      onchange={(placement) => set({ placement, drop: null, across: null, widest: null })}
    />
    {#if collar}
      <LengthField
        label="Below the collar seam"
        entry="garment.drop"
        value={garment.drop ?? null}
        otherwise={collar.top - collar.at[1]}
        onchange={(drop) => set({ drop })}
      />
      <LengthField
        label="From the centre line"
        entry="garment.across"
        value={garment.across ?? null}
        otherwise={collar.middle - collar.at[0]}
        onchange={(across) => set({ across })}
      />
    {/if}
  </div>
  <Button size="sm" color="alternative" onclick={open.place}>Place the design there</Button>
</section>
