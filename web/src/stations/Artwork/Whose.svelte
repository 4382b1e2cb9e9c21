<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Job } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import TextField from '../../lib/ui/TextField.svelte';

  interface Props {
    open: OpenJob;
    job: Job;
  }
  const { open, job }: Props = $props();

  const SALE = [
    ['', 'Not noted'],
    ['yes', 'Yes'],
    ['no', 'No'],
  ] as const;
  const sale = $derived(job.inputs.may_sell === null ? '' : job.inputs.may_sell ? 'yes' : 'no');
</script>

<Fold title="Whose drawing is it?">
  <div class="grid gap-3">
    <TextField
      label="Who drew it, and where it is from"
      name="{open.id}.origin"
      value={job.inputs.origin ?? ''}
      entry="design.origin"
      onchange={(origin) => open.change({ origin })}
    />
    <OneOf
      label="May prints of it be sold?"
      value={sale}
      of={SALE}
      onchange={(key) => open.change({ may_sell: key === '' ? null : key === 'yes' })}
    />
    <p class="m-0 text-sm text-(--faint)">
      A note for yourself, told beside your costs; it stops nothing. The letterings that come with Dunestead
      may be used for things you sell.
    </p>
  </div>
</Fold>
