<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import { addPress, dropRecord, getWorkshop, Problem, type Workshop } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import HeatField from '../../lib/ui/HeatField.svelte';
  import { showHeat, showLength } from '../../lib/units';

  interface Props {
    open: OpenJob;
    /** Plates have changed: the list to choose from is asked for again. */
    onchanged: () => void;
  }
  const { open, onchanged }: Props = $props();

  const id = $props.id();
  let workshop = $state.raw<Workshop | null>(null);
  let plate = $state({ name: '', plate_width: 120, plate_length: 200, overlap: 15, heat: 200 });
  let problem = $state('');

  $effect(() => {
    getWorkshop().then(
      (found) => (workshop = found),
      () => undefined,
    );
  });
  async function act(what: Promise<Workshop>): Promise<void> {
    try {
      [workshop, problem] = [await what, ''];
      onchanged();
      await open.load();
    } catch (error) {
      problem = error instanceof Problem ? error.message : 'It could not be saved.';
    }
  }
</script>

<Fold title="Own plates">
  {#each workshop?.presses ?? [] as press (press.id)}
    <p class="m-0 mb-2 text-sm">
      <strong>{press.name}</strong>, {showLength(press.plate_width, settings.unit)} by {showLength(
        press.plate_length,
        settings.unit,
      )}, to {showHeat(press.heat, settings.unit)}
      <button
        class="ml-2 cursor-pointer underline"
        aria-label="Remove {press.name}"
        onclick={() => act(dropRecord('presses', press.id))}>Remove</button
      >
    </p>
  {/each}
  <div class="flex flex-col gap-2">
    <div>
      <Label for={id} class="mb-1 text-sm text-(--ink)">Name of the plate</Label>
      <Input {id} size="sm" maxlength={120} bind:value={plate.name} />
    </div>
    <div class="grid grid-cols-2 gap-2">
      <LengthField
        label="Presses across"
        entry="press.plate_width"
        value={plate.plate_width}
        onchange={(mm) => void (plate.plate_width = mm ?? plate.plate_width)}
      />
      <LengthField
        label="And along"
        entry="press.plate_length"
        value={plate.plate_length}
        onchange={(mm) => void (plate.plate_length = mm ?? plate.plate_length)}
      />
    </div>
    <HeatField
      label="Hottest it can be set to"
      value={plate.heat}
      entry="press.heat"
      onchange={(heat) => void (plate.heat = heat ?? plate.heat)}
    />
    <Button color="alternative" size="sm" onclick={() => act(addPress({ ...plate, name: plate.name.trim() }))}
      >Keep this plate</Button
    >
    {#if problem}<p class="m-0 text-sm text-(--fault)" role="alert">{problem}</p>{/if}
  </div>
</Fold>
