<script lang="ts">
  import type { Catalogue, Job } from '../lib/api/client';
  import MainButton from '../lib/ui/MainButton.svelte';
  import OneOf from '../lib/ui/OneOf.svelte';
  import { Kit, NO_PLATE } from './kit.svelte';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    open: OpenJob;
    job: Job;
    catalogue: Catalogue;
    label: string;
  }
  const { open, job, catalogue, label }: Props = $props();

  const kit = new Kit();
  $effect(() => void kit.look());
  const PLACES = [
    ['yes', 'Yes'],
    ['no', 'No'],
  ] as const;
  let cutter = $state<string | null>(null);
  let plate = $state<string | null>(null);
  let outdoors = $state<'yes' | 'no' | null>(null);
  const cutters = $derived(catalogue.cutters.map((one) => [one.key, one.name] as const));
  const plates = $derived([
    ...catalogue.presses.map((one) => [one.key, one.name] as const),
    [NO_PLATE, 'None'] as const,
  ]);
  const chosen = $derived({
    cutter: cutter ?? kit.cutter ?? job.inputs.cutter,
    plate: plate ?? kit.plate(job.inputs.press),
    outdoors: outdoors ?? (kit.isOutdoors() ? 'yes' : 'no'),
  });

  async function keep(event: Event): Promise<void> {
    event.preventDefault();
    const told = { ...chosen };
    const tools = { outdoors: told.outdoors === 'yes' };
    // Not twice: until the job has it, too, the button waits.
    open.busy++;
    try {
      if (!(await kit.keep(catalogue, { cutter: told.cutter, plate: told.plate, tools }))) return;
      await open.change({ cutter: told.cutter, ...(told.plate ? { press: told.plate } : {}) });
    } finally {
      open.busy--;
    }
  }
</script>

<form class="flex flex-col gap-2" onsubmit={keep}>
  <OneOf label="Cutter" value={chosen.cutter} of={cutters} onchange={(key) => (cutter = key)} />
  <div class="grid grid-cols-2 gap-2">
    <OneOf label="Iron or press" value={chosen.plate} of={plates} onchange={(key) => (plate = key)} />
    <OneOf
      label="A place outdoors to spray"
      value={chosen.outdoors}
      of={PLACES}
      onchange={(key) => (outdoors = key)}
    />
  </div>
  {#if kit.problem}<p class="m-0 text-sm text-(--fault)" role="alert">{kit.problem}</p>{/if}
  <MainButton class="w-full" type="submit" disabled={open.busy > 0}>{label}</MainButton>
</form>
