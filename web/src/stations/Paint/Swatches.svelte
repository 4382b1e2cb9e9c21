<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import * as api from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import TextField from '../../lib/ui/TextField.svelte';
  import { localDay, showDate } from '../../lib/units';

  interface Props {
    open: OpenJob;
    job: api.Job;
    /** The paint that is planned, by key and name, its colour and coats. */
    paint: { key: string; name: string; colour: string | null; coats: number };
  }
  const { open, job, paint }: Props = $props();

  const GRADES = ['spoiled', 'poor', 'passable', 'good', 'as wished'];
  const GRADED = GRADES.map((word, k) => [String(k + 1), `${k + 1}: ${word}`] as const);
  let workshop = $state.raw<api.Workshop | null>(null);
  let problem = $state('');
  let result = $state('4');
  let coats = $state<number | null>(null);
  let note = $state('');
  const surface = $derived(job.inputs.surface);
  const mine = $derived(
    (workshop?.swatches ?? []).filter((one) => one.paint === paint.key && one.surface === surface),
  );

  $effect(() => {
    api.getWorkshop().then(
      (found) => (workshop = found),
      () => undefined,
    );
  });
  async function act(what: Promise<api.Workshop>): Promise<void> {
    try {
      [workshop, problem] = [await what, ''];
      await open.load();
    } catch (error) {
      problem = error instanceof api.Problem ? error.message : 'It could not be saved.';
    }
  }
  const keep = () =>
    act(
      api.addSwatch({
        paint: paint.key,
        surface,
        on: localDay(new Date()),
        coats: coats ?? paint.coats,
        colour: paint.colour ?? '#22313a',
        result: Number(result),
        note,
      }),
    ).then(() => (note = ''));
  function photograph(event: Event, id: number): void {
    const file = (event.currentTarget as HTMLInputElement).files?.[0];
    if (file) void act(api.setSwatchPhoto(id, file));
  }
</script>

<Fold title="Swatches" value={String(mine.length)}>
  {#each mine as swatch (swatch.id)}
    <div class="card flex items-start gap-2 p-2 text-sm">
      <span class="chip" style:background={swatch.colour}></span>
      <div class="flex-1">
        <strong>{GRADES[(swatch.result ?? 3) - 1]}</strong>, {swatch.coats === 1
          ? '1 coat'
          : `${swatch.coats} coats`}, {showDate(swatch.on)}
        {#if swatch.note}<p class="m-0">{swatch.note}</p>{/if}
        {#if swatch.has_photo}
          <img
            class="mt-1 max-h-32 rounded"
            src="/api/workshop/swatches/{swatch.id}/photo.jpg?small=true"
            alt="Swatch of {swatch.paint_name}, {showDate(swatch.on)}"
          />
        {/if}
        <p class="m-0 mt-1 flex gap-3">
          <label class="cursor-pointer underline"
            >{swatch.has_photo ? 'Other photo' : 'Add a photo'}
            <input
              class="sr-only"
              type="file"
              accept="image/png,image/jpeg,image/webp"
              onchange={(event) => photograph(event, swatch.id)}
            /></label
          >
          {#if swatch.has_photo}
            <button
              class="cursor-pointer underline"
              aria-label="Remove the photo of {showDate(swatch.on)}"
              onclick={() => act(api.dropSwatchPhoto(swatch.id))}>Remove photo</button
            >
          {/if}
          <button
            class="cursor-pointer underline"
            aria-label="Remove the swatch of {showDate(swatch.on)}"
            onclick={() => act(api.dropRecord('swatches', swatch.id))}>Remove</button
          >
        </p>
      </div>
    </div>
  {:else}
    <p class="m-0 mb-2 text-sm">
      None yet: {paint.name.toLowerCase()} is new on this surface. Try it on a scrap, and keep what came of it.
    </p>
  {/each}
  <Fold title="Add a swatch" open={!mine.length && workshop !== null}>
    <div class="grid grid-cols-2 gap-2">
      <OneOf label="How did it turn out?" value={result} of={GRADED} onchange={(key) => (result = key)} />
      <NumberField
        label="Coats"
        entry="swatch.coats"
        value={coats}
        otherwise={paint.coats}
        onchange={(count) => (coats = count)}
      />
    </div>
    <TextField
      label="Note"
      entry="swatch.note"
      name="{job.id}/swatch"
      rows={2}
      value={note}
      onchange={(text) => (note = text)}
    />
    <Button class="mt-2" color="alternative" size="sm" onclick={keep}>Keep a swatch</Button>
  </Fold>
  {#if problem}<p class="m-0 text-sm font-bold" role="alert">{problem}</p>{/if}
</Fold>

<style>
  .chip {
    width: 2.2rem;
    height: 2.2rem;
    border: 1px solid var(--ink);
    border-radius: 0.3rem;
  }
</style>
