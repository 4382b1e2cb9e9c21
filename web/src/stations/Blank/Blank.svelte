<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { OUTLINE_KINDS } from '../../lib/artwork-kinds';
  import type { BlankEntry } from '../../lib/api/client';
  import ColourField from '../../lib/ui/ColourField.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import HeatField from '../../lib/ui/HeatField.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import type { PanelProps } from '../station';
  import ClearAreas from './ClearAreas.svelte';
  import GarmentGuide from './GarmentGuide.svelte';
  import OwnBlanks from './OwnBlanks.svelte';

  const { open, job, catalogue }: PanelProps = $props();

  const id = $props.id();
  const SHAPES = [
    ['rectangle', 'Rectangle'],
    ['oval', 'Round or oval'],
    ['outline', 'By an outline'],
    ['garment', 'Garment'],
  ] as const;
  const BACKS = [
    ['bare', 'Bare'],
    ['rubber', 'Rubber or latex'],
    ['felt', 'Felt, glued on'],
  ] as const;
  const SIDES = [
    [false, 'From the front: painted on its face'],
    [true, 'Through it: painted on its back, mirrored'],
  ] as const;
  const COATS = [
    ['none', 'None'],
    ['under', 'Under the design'],
    ['everywhere', 'Everywhere'],
  ] as const;
  const KEEPS = [
    ['size', 'Keeps its size'],
    ['margins', 'Keeps its margins'],
  ] as const;
  let outline = $state<HTMLInputElement>();
  const blank = $derived(job.inputs.blank);
  const base = $derived(job.inputs.coatings.find((one) => one.role === 'base'));
  const usual = $derived(job.inputs.coatings.find((one) => one.role === 'colour')?.paint ?? '');
  const setBlank = (change: Partial<BlankEntry>) => open.changeBlank(() => change);
  /** The size a design was made for, when the tape has said another since and the design kept its own size. */
  let offered = $state.raw<{ width: number; height: number } | null>(null);

  async function measured(entry: Partial<BlankEntry>): Promise<void> {
    const { width, height } = job.picture;
    const made = offered ?? { width, height };
    await setBlank(entry);
    const differs = job.picture.width !== made.width || job.picture.height !== made.height;
    offered = differs && blank.keeps === 'size' && job.elements.length ? made : null;
  }

  async function follow(): Promise<void> {
    if (offered) await open.followBlank(offered);
    offered = null;
  }
  const value = (event: Event) => (event.currentTarget as HTMLInputElement).value;
  const heat = $derived(blank.heat === null || blank.heat === undefined ? null : blank.heat);

  /** The base is a coating like the others; here it is given, taken away, or coloured. */
  function setBase(where: 'none' | 'under' | 'everywhere', colour = base?.colour ?? '#f3efe4'): void {
    void open.change(({ inputs: { coatings } }) => {
      const rest = coatings.filter((one) => one.role !== 'base');
      const made = { role: 'base', paint: usual, coats: null, ...base, colour, where } as const;
      return { coatings: where === 'none' ? rest : [{ ...made, where }, ...rest] };
    });
  }
  const baseWhere = $derived(base ? (base.where === 'under' ? 'under' : 'everywhere') : 'none');

  function shape(to: (typeof SHAPES)[number][0]): void {
    if (to === 'outline' && !blank.outline) outline?.click();
    else void setBlank({ shape: to });
  }
</script>

<div class="grid grid-cols-2 gap-3">
  <div class="col-span-2">
    <Label for="{id}-name" class="mb-1 text-sm text-(--ink)">Name of the job</Label>
    <Input
      id="{id}-name"
      size="sm"
      value={job.inputs.name}
      maxlength={catalogue.limits['job.name']?.most}
      onchange={(event: Event) => open.change({ name: value(event) })}
    />
  </div>
  <div class="col-span-2">
    <!-- How it is made ready the first step says. -->
    <OneOf
      label="Surface"
      value={job.inputs.surface}
      of={catalogue.surfaces.map((one) => [one.key, one.name] as const)}
      onchange={(surface) => open.change({ surface })}
    />
  </div>
  {#if job.in_force.see_through}
    <fieldset class="col-span-2 m-0 flex flex-wrap gap-4 rounded-lg border border-(--line) p-2 text-sm">
      <legend class="px-1">Looked at from the front, or through it?</legend>
      {#each SIDES as [through, name] (name)}
        <label class="flex cursor-pointer items-center gap-2">
          <input
            type="radio"
            name="{id}-side"
            checked={job.inputs.seen_through === through}
            onchange={() => open.change({ seen_through: through })}
          />{name}
        </label>
      {/each}
    </fieldset>
  {/if}
  {#if job.in_force.has_back}
    <fieldset class="col-span-2 m-0 flex flex-wrap gap-4 rounded-lg border border-(--line) p-2 text-sm">
      <legend class="px-1">What is its back?</legend>
      {#each BACKS as [back, name] (back)}
        <label class="flex cursor-pointer items-center gap-2">
          <input
            type="radio"
            name="{id}-back"
            checked={blank.back === back}
            onchange={() => setBlank({ back })}
          />{name}
        </label>
      {/each}
    </fieldset>
  {/if}
  <OneOf label="Shape" value={blank.shape ?? 'rectangle'} of={SHAPES} onchange={shape} />
  <ColourField
    label="Its colour"
    value={blank.colour ?? '#a9814f'}
    onchange={(colour) => setBlank({ colour })}
  />
  <LengthField
    label="Width on the label"
    entry="piece.width"
    value={blank.width}
    onchange={(mm) => mm && setBlank({ width: mm })}
    onpair={(width, height) => setBlank({ width, height })}
  />
  <LengthField
    label="Height on the label"
    entry="piece.height"
    value={blank.height}
    onchange={(mm) => mm && setBlank({ height: mm })}
  />
  <LengthField
    label="Width by tape"
    entry="piece.measured_width"
    value={blank.measured_width ?? null}
    otherwise={blank.width}
    onchange={(mm) => measured({ measured_width: mm })}
    onpair={(across, down) => measured({ measured_width: across, measured_height: down })}
  />
  <LengthField
    label="Height by tape"
    entry="piece.measured_height"
    value={blank.measured_height ?? null}
    otherwise={blank.height}
    onchange={(mm) => measured({ measured_height: mm })}
  />
  {#if offered && (job.picture.width !== offered.width || job.picture.height !== offered.height)}
    <div class="col-span-2 flex items-center gap-2 text-sm" role="status">
      <span class="flex-1">The blank has a new size; the design has kept its own.</span>
      <Button color="alternative" size="xs" disabled={open.busy > 0} onclick={follow}
        >Resize the design too</Button
      >
    </div>
  {/if}
  <NumberField
    label="How many"
    entry="blank.copies"
    value={job.inputs.copies}
    onchange={(copies) => copies && open.change({ copies })}
  />
  <div>
    <Label for="{id}-due" class="mb-1 text-sm text-(--ink)">Due</Label>
    <Input
      id="{id}-due"
      type="date"
      size="sm"
      value={job.inputs.due ?? ''}
      onchange={(event: Event) => open.change({ due: value(event) || null })}
    />
  </div>
</div>
{#if blank.shape === 'outline'}
  <p class="m-0 flex items-center gap-2 text-sm">
    <span class="flex-1 truncate">Outline from {blank.outline_name}</span>
    <button class="cursor-pointer font-bold underline" onclick={() => outline?.click()}>Choose another</button
    >
  </p>
{/if}
{#if blank.shape === 'garment'}<GarmentGuide {open} {job} {catalogue} {blank} />{/if}
<Fold title="Rim, corners, coat, heat" open={!!blank.rim || !!blank.corner || !!base || heat !== null}>
  <div class="grid grid-cols-2 gap-3">
    {#if blank.shape === 'rectangle'}
      <LengthField
        label="Corner radius"
        entry="piece.corner"
        value={blank.corner ?? 0}
        onchange={(mm) => setBlank({ corner: mm ?? 0 })}
      />
    {/if}
    <LengthField
      label="Raised rim around it"
      entry="piece.rim"
      value={blank.rim ?? 0}
      onchange={(mm) => setBlank({ rim: mm ?? 0 })}
    />
    <OneOf
      label="When the size changes, the design"
      value={blank.keeps ?? 'size'}
      of={KEEPS}
      onchange={(keeps) => setBlank({ keeps })}
    />
    <HeatField
      label="Highest heat on its label"
      entry="piece.heat"
      value={heat}
      otherwise={job.in_force.heat ?? 0}
      onchange={(limit) => setBlank({ heat: limit })}
    />
    <OneOf label="Base coat" value={baseWhere} of={COATS} onchange={(where) => setBase(where)} />
    {#if base}
      <ColourField
        label="Colour of the coat"
        value={base.colour ?? '#f3efe4'}
        onchange={(colour) => setBase(baseWhere, colour)}
      />
    {/if}
  </div>
</Fold>
<ClearAreas {open} {job} {blank} />
<OwnBlanks {open} {job} />
<input
  bind:this={outline}
  class="sr-only"
  type="file"
  accept={OUTLINE_KINDS}
  tabindex="-1"
  aria-label="Outline of the blank"
  onchange={(event) => {
    const file = event.currentTarget.files?.[0];
    if (file) void open.setOutline(file);
    event.currentTarget.value = '';
  }}
/>
