<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Part, PartChange, Tracing } from '../../lib/api/client';
  import ColourField from '../../lib/ui/ColourField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import Slide from '../../lib/ui/Slide.svelte';
  import Tick from '../../lib/ui/Tick.svelte';
  import Straighten from './Straighten.svelte';

  interface Props {
    open: OpenJob;
    jobId: number;
    part: Part;
    trace: Tracing;
  }
  const { open, jobId, part, trace }: Props = $props();

  type Settings = NonNullable<PartChange['trace']>;
  const INK = [
    ['area', 'Ink as it is'],
    ['line', 'Even lines along it'],
  ] as const;
  const PIXELS = (value: number) => `${value} px`;
  type Corners = NonNullable<Settings['corners']>;
  /** The sheet of paper that was found in the photo, to begin from. */
  const sheet = $derived((trace.sheet?.length === 4 ? trace.sheet : null) as Corners | null);
  const isFound = $derived(JSON.stringify(trace.corners) === JSON.stringify(sheet));
  let straightening = $state(false);
  function settingsOf({
    corners,
    threshold,
    inverted,
    evened,
    despeckle,
    smooth,
    ink,
    pen,
  }: Tracing): Settings {
    return { corners, threshold, inverted, evened, despeckle, smooth, ink, pen };
  }
  const settings = $derived(settingsOf(trace));

  const change = (entries: Partial<Settings>) =>
    open.changePart(part.id, (now) => ({ trace: { ...settingsOf(now.trace ?? trace), ...entries } }));
  const peek = (entries: Partial<Settings>) =>
    open.peek({ element: part.id, entries: { trace: { ...settings, ...entries } } });
</script>

<p class="m-0 text-sm text-(--faint)">Traced from {part.name}: {trace.points} points.</p>
{#if sheet && (isFound || !trace.corners)}
  {@const found = sheet}
  <div class="card flex flex-wrap items-center gap-2 p-2 text-sm" role="status">
    {#if isFound}
      <span class="flex-1">The sheet of paper in this photo is cut out and straightened.</span>
      <Button color="alternative" size="xs" onclick={() => change({ corners: null })}
        >Take the whole photo</Button
      >
    {:else}
      <span class="flex-1">A sheet of paper was found in this photo.</span>
      <Button color="alternative" size="xs" onclick={() => change({ corners: found })}>Straighten it</Button>
    {/if}
  </div>
{/if}
<div class="flex items-center justify-between gap-2">
  <Tick
    label="Choose automatically"
    checked={trace.threshold === null}
    onchange={(found) => change({ threshold: found ? null : Math.round(trace.found_threshold) })}
  />
  <Button color="alternative" size="xs" onclick={() => (straightening = true)}>Straighten the sheet</Button>
</div>
<Slide
  label="Ink is darker than"
  entry="trace.threshold"
  value={trace.threshold ?? Math.round(trace.found_threshold)}
  show={String}
  onpeek={(threshold) => peek({ threshold })}
  onchange={(threshold) => change({ threshold })}
/>
<Slide
  label="Remove specks up to"
  entry="trace.despeckle"
  value={trace.despeckle ?? 4}
  show={PIXELS}
  onpeek={(despeckle) => peek({ despeckle })}
  onchange={(despeckle) => change({ despeckle })}
/>
<Slide
  label="Smoothing"
  entry="trace.smooth"
  value={trace.smooth ?? 0.5}
  show={(value) => `${Math.round(value * 100)} %`}
  onpeek={(smooth) => peek({ smooth })}
  onchange={(smooth) => change({ smooth })}
/>
<div class="flex flex-wrap gap-x-5 gap-y-2">
  <Tick label="Even out the light" checked={trace.evened ?? true} onchange={(evened) => change({ evened })} />
  <Tick
    label="Light on dark"
    checked={trace.inverted ?? false}
    onchange={(inverted) => change({ inverted })}
  />
</div>
<div class="grid grid-cols-2 gap-3">
  <OneOf label="Follow" value={trace.ink ?? 'area'} of={INK} onchange={(ink) => change({ ink })} />
  <ColourField
    label="Colour"
    value={part.colour ?? '#000000'}
    onchange={(colour) => open.changePart(part.id, { colour })}
  />
</div>
{#if trace.ink === 'line'}
  <Slide
    label="Pen"
    entry="trace.pen"
    value={trace.pen ?? 0.01}
    show={(value) => `${(value * 100).toFixed(1)} % of the picture`}
    onpeek={(pen) => peek({ pen })}
    onchange={(pen) => change({ pen })}
  />
{/if}
{#if straightening}
  <Straighten
    address="/api/jobs/{jobId}/elements/{part.id}/picture.png"
    corners={trace.corners ?? sheet}
    ondone={(corners) => {
      straightening = false;
      void change({ corners });
    }}
    onclose={() => (straightening = false)}
  />
{/if}
