<script lang="ts">
  import MainButton from '../../lib/ui/MainButton.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import { layByTape, Problem, type Catalogue, type Job, type Laid } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import { lengthEntry, readLength } from '../../lib/units';

  interface Props {
    open: OpenJob;
    job: Job;
    catalogue: Catalogue;
  }
  const { open, job, catalogue }: Props = $props();

  const id = $props.id();
  const SIDES = [
    ['left', 'Left', 'top', 'bottom'],
    ['right', 'Right', 'top', 'bottom'],
    ['top', 'Top', 'left', 'right'],
    ['bottom', 'Bottom', 'left', 'right'],
  ] as const;
  type Side = (typeof SIDES)[number][0];
  const NOTHING: Record<Side, [string, string]> = {
    left: ['', ''],
    right: ['', ''],
    top: ['', ''],
    bottom: ['', ''],
  };

  const usual = $derived(catalogue.figures.find((one) => one.name === 'lay_within')?.value);
  /** How far off a corner may be, mm; the usual where nothing is said. */
  let within = $state<number | null>(null);
  let typed = $state(structuredClone(NOTHING));
  let laid = $state.raw<Laid | null>(null);
  let problem = $state('');
  const mask = $derived(open.mask ?? 1);
  const blank = $derived(job.picture);
  const places = $derived(blank.masks.find((one) => one.number === mask)?.readings ?? []);
  /** What is measured to: the whole mask's edge first, the artwork, then its patches. */
  let chosen = $state(0);
  const place = $derived(places[chosen] ?? places[0]);
  /** What it reads when all is well, shown where nothing is typed: at both ends once the second is typed. */
  const should = (side: Side, end: 0 | 1): string => {
    const mm = place?.[side][end === 1 || typed[side][1].trim() ? end + 1 : 0];
    return mm === undefined ? '' : lengthEntry(mm, settings.unit);
  };

  /** A length, below nought for a mask that stands over the edge; NaN for what is none. */
  const value = (text: string): number => readLength(text.replace('\u2212', '-'), settings.unit) ?? NaN;

  const read = (side: Side) => typed[side].filter((text) => text.trim()).map(value);

  async function tell(event: Event): Promise<void> {
    event.preventDefault();
    const readings = Object.fromEntries(SIDES.map(([side]) => [side, read(side)])) as Record<Side, number[]>;
    if (Object.values(readings).flat().some(Number.isNaN)) {
      [laid, problem] = [null, 'One of these is not a length. Write 118, 11.8cm or 4 5/8in.'];
      return;
    }
    try {
      const body = { ...readings, patch: place?.patch ?? null, to: place?.to ?? 'mask', within };
      [laid, problem] = [await layByTape(job.id, settings.unit, open.copy, mask, body), ''];
      await open.turnTo(open.copy);
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      [laid, problem] = [null, error.message];
    }
  }

  const outline = (points: readonly (readonly [number, number])[]) =>
    points.map(([x, y]) => `${x},${y}`).join(' ');
</script>

<Fold title="Where does it lie?">
  <form class="flex flex-col gap-3" onsubmit={tell}>
    <p class="m-0 text-sm text-(--faint)">
      Measure from the blank's edge to the mask or to the artwork: once in the middle of a side, or at both
      its ends. Any side works. Measure one side at both ends to see if the mask is turned. Grey: what you
      should read.
    </p>
    {#if places.length > 1}
      <OneOf
        label="Measured to"
        value={String(chosen)}
        of={places.map(
          (one, k) =>
            [
              String(k),
              one.patch !== null
                ? `Patch ${one.patch}`
                : one.to === 'artwork'
                  ? 'The artwork'
                  : "The mask's edge",
            ] as const,
        )}
        onchange={(value) => ([chosen, laid] = [Number(value), null])}
      />
    {/if}
    {#each SIDES as [side, name, first, second] (side)}
      <div class="grid grid-cols-2 gap-3">
        <div>
          <Label for="{id}-{side}-0" class="mb-1 text-sm text-(--ink)">{name}: middle, or {first} end</Label>
          <Input
            id="{id}-{side}-0"
            size="sm"
            inputmode="decimal"
            placeholder={should(side, 0)}
            bind:value={typed[side][0]}
          />
        </div>
        <div>
          <Label for="{id}-{side}-1" class="mb-1 text-sm text-(--ink)">{name}: {second} end</Label>
          <Input
            id="{id}-{side}-1"
            size="sm"
            inputmode="decimal"
            placeholder={should(side, 1)}
            bind:value={typed[side][1]}
          />
        </div>
      </div>
    {/each}
    <LengthField
      label="Near enough: no corner off by more than"
      value={within}
      entry="lay.within"
      otherwise={usual}
      onchange={(mm) => (within = mm)}
    />
    <MainButton type="submit" size="sm">Show what to do</MainButton>
  </form>
  {#if problem}<p class="m-0 mt-3 text-sm font-bold" role="alert">{problem}</p>{/if}
  {#if laid}
    <div class="mt-3" role="status">
      {#each laid.instructions as line (line)}<p class="m-0 mb-1 font-bold">{line}</p>{/each}
    </div>
    <svg
      class="mt-2 max-h-56 w-full"
      viewBox="{-0.03 * blank.width} {-0.03 * blank.height} {1.06 * blank.width} {1.06 * blank.height}"
      role="img"
      aria-label="The mask as it lies, solid, and as it should, dashed"
    >
      <path
        d={blank.outline}
        class="blank"
        transform={blank.from_back ? `matrix(-1 0 0 1 ${blank.width} 0)` : undefined}
      />
      <polygon points={outline(laid.should)} class="should" />
      <polygon points={outline(laid.lies)} class="lies" class:within={laid.within} />
    </svg>
  {/if}
</Fold>

<style>
  polygon,
  path {
    fill: none;
    vector-effect: non-scaling-stroke;
  }
  .blank {
    fill: var(--ground);
    stroke: var(--line);
  }
  .should {
    stroke: var(--ink);
    stroke-dasharray: 6 5;
    stroke-width: 1.5;
  }
  .lies {
    stroke: var(--signal);
    stroke-width: 3;
  }
  .lies.within {
    stroke: var(--grass);
  }
</style>
