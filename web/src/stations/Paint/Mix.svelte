<script lang="ts">
  import { mixPaint, type Mix, type MixPart } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import ColourField from '../../lib/ui/ColourField.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import TextField from '../../lib/ui/TextField.svelte';
  import { showVolume } from '../../lib/units';

  interface Props {
    mix: MixPart[];
    /** How much of it is wanted. */
    ml: number;
    /** The colour it is mixed for. */
    wanted: string | null;
    onchange: (mix: MixPart[]) => void;
  }
  const { mix, ml, wanted, onchange }: Props = $props();

  const id = $props.id();
  let batch = $state.raw<Mix | null>(null);

  $effect(() => {
    let stale = false;
    const asked = mix.length ? mixPaint(mix, ml) : Promise.resolve(null);
    asked.then(
      (found) => !stale && (batch = found),
      () => undefined,
    );
    return () => (stale = true);
  });
  const set = (at: number, entries: Partial<MixPart>) =>
    onchange(mix.map((part, k) => (k === at ? { ...part, ...entries } : part)));
</script>

{#each mix as part, at (at)}
  <div class="mb-2 grid grid-cols-[1fr_4rem_4.5rem_auto] items-end gap-2">
    <TextField
      label="Paint {at + 1}"
      entry="mix.name"
      name="{id}/{at}"
      value={part.name}
      onchange={(name) => set(at, { name: name || part.name })}
    />
    <ColourField label="Colour" value={part.colour} onchange={(colour) => set(at, { colour })} />
    <NumberField
      label="Parts"
      entry="mix.parts"
      value={part.parts ?? 1}
      onchange={(parts) => parts !== null && set(at, { parts })}
    />
    <button
      class="cursor-pointer p-1 text-sm underline"
      aria-label="Take paint {at + 1} out of the mix"
      onclick={() => onchange(mix.filter((_, k) => k !== at))}>out</button
    >
  </div>
{/each}
<button
  class="cursor-pointer text-sm font-bold underline"
  onclick={() =>
    onchange([...mix, { name: `Paint ${mix.length + 1}`, colour: wanted ?? '#ffffff', parts: 1 }])}
  >Add a paint to the mix</button
>
{#if batch?.colour}
  <p class="m-0 mt-2 flex flex-wrap items-center gap-2 text-sm">
    <span class="swatch" style:background={batch.colour}></span> about this colour
    {#if wanted}<span class="swatch" style:background={wanted}></span> for this one{/if}
  </p>
  <p class="m-0 mt-1 text-sm">
    For {showVolume(ml, settings.unit)}:
    {mix.map((part, k) => `${showVolume(batch?.each_ml[k] ?? 0, settings.unit)} ${part.name}`).join(', ')}. A
    guess by the screen: dab it on a scrap.
  </p>
{/if}

<style>
  .swatch {
    width: 2rem;
    height: 1.2rem;
    border: 1px solid var(--ink);
  }
</style>
