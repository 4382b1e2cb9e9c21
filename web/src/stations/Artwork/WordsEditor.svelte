<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Catalogue, Job, Part, PartChange } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import ColourField from '../../lib/ui/ColourField.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import Slide from '../../lib/ui/Slide.svelte';
  import TextField from '../../lib/ui/TextField.svelte';
  import Tick from '../../lib/ui/Tick.svelte';
  import { showLength } from '../../lib/units';
  import FaceChooser from './FaceChooser.svelte';

  interface Props {
    open: OpenJob;
    job: Job;
    catalogue: Catalogue;
    part: Part;
    words: NonNullable<Part['words']>;
  }
  const { open, job, catalogue, part, words }: Props = $props();

  const id = $props.id();
  const ALIGN = [
    ['left', 'Left'],
    ['centre', 'Centred'],
    ['right', 'Right'],
  ] as const;
  const SIZED = [
    ['width', 'Its width'],
    ['cap', 'Height of capitals'],
  ] as const;
  const ARC = [
    ['straight', 'Straight'],
    ['over', 'Arched over'],
    ['under', 'Along the bottom'],
  ] as const;
  let choosing = $state(false);
  // A look shows what is typed as if it were kept; whether it is, only the job itself tells.
  const kept = $derived(open.job?.elements.find(({ id }) => id === part.id)?.words?.text ?? words.text);
  const face = $derived(catalogue.faces.find((row) => row.key === words.face));
  const bend = $derived(words.arc === null ? 'straight' : words.arc > 0 ? 'over' : 'under');
  const letters = $derived([...words.text].map((letter, index) => ({ letter, index })));
  const own = $derived(new Map(words.letter_colours.map(([index, colour]) => [index, colour] as const)));
  const show = (mm: number) => showLength(mm, settings.unit);

  const change = (entries: PartChange) => open.changePart(part.id, entries);
  const peek = (entries: PartChange) => open.peek({ element: part.id, entries });

  function arc(kind: string): void {
    const radius = Math.abs(words.arc ?? words.usual_arc);
    void change({ arc: kind === 'straight' ? null : kind === 'over' ? radius : -radius });
  }

  function colourLetter(index: number, colour: string): void {
    const rest = words.letter_colours.filter(([at]) => at !== index);
    void change({ letter_colours: colour === part.colour ? rest : [...rest, [index, colour]] });
  }
</script>

<div>
  {#key part.id}
    <TextField
      label="What it says"
      name="{job.id}/{part.id}"
      rows={Math.min(4, words.text.split('\n').length + 1)}
      value={kept}
      describedby="{id}-missing"
      onpeek={(text) => peek({ text })}
      onchange={(text) => change({ text })}
    />
  {/key}
  {#if words.missing.length}
    <p id="{id}-missing" class="m-0 text-sm text-(--fault)">
      {face?.name} has no {words.missing.join(' ')}: left out. Take another face.
    </p>
  {/if}
</div>
<div class="flex items-end gap-2">
  <div class="min-w-0 flex-1">
    <p class="m-0 text-sm">Face</p>
    <p class="m-0 truncate font-bold">{face?.name}</p>
    <p class="m-0 text-sm text-(--faint)">{face?.kind_name}</p>
  </div>
  <Button color="alternative" size="sm" onclick={() => (choosing = true)}>Try other faces</Button>
</div>
<div class="grid grid-cols-2 gap-3">
  <OneOf label="Sized by" value={words.sized_by} of={SIZED} onchange={(sized_by) => change({ sized_by })} />
  <LengthField
    label={words.sized_by === 'cap' ? 'Capitals' : 'Width'}
    entry="words.size"
    value={words.size}
    onchange={(size) => size && change({ size })}
  />
</div>
<Slide
  label="Letter gap"
  entry="words.letter_gap"
  value={words.letter_gap}
  min={-words.cap_height / 4}
  max={words.cap_height / 2}
  {show}
  onpeek={(letter_gap) => peek({ letter_gap })}
  onchange={(letter_gap) => change({ letter_gap })}
/>
<div class="flex flex-wrap items-center justify-between gap-3">
  <Tick label="All in capitals" checked={words.capitals} onchange={(capitals) => change({ capitals })} />
  <div class="w-28">
    <ColourField label="Colour" value={part.colour ?? '#22313a'} onchange={(colour) => change({ colour })} />
  </div>
</div>
<Fold title="Lines, arc, letter colours" open={words.arc !== null}>
  {#if words.text.includes('\n')}
    <OneOf label="Lines" value={words.align} of={ALIGN} onchange={(align) => change({ align })} />
    <Slide
      label="Line gap"
      entry="words.line_gap"
      value={words.line_gap}
      min={-words.cap_height}
      max={words.cap_height}
      {show}
      onpeek={(line_gap) => peek({ line_gap })}
      onchange={(line_gap) => change({ line_gap })}
    />
  {/if}
  <OneOf label="Set" value={bend} of={ARC} onchange={arc} />
  {#if words.arc !== null}
    <Slide
      label="Radius of the arc"
      entry="words.arc"
      value={Math.abs(words.arc)}
      min={Math.min(Math.abs(words.arc), words.cap_height * 2)}
      max={Math.max(job.picture.width * 1.5, Math.abs(words.arc))}
      step={1}
      {show}
      onpeek={(radius) => peek({ arc: radius * Math.sign(words.arc ?? 1) })}
      onchange={(radius) => change({ arc: radius * Math.sign(words.arc ?? 1) })}
    />
  {/if}
  <div role="group" aria-label="Colours of single letters">
    <p class="m-0 mb-1 text-sm">Colours of single letters</p>
    <div class="flex flex-wrap gap-1">
      {#each letters as { letter, index } (index)}
        {#if letter.trim()}
          <label class="flex cursor-pointer flex-col items-center text-sm font-bold">
            {letter}
            <input
              type="color"
              class="h-6 w-7 cursor-pointer border border-(--line)"
              aria-label="Colour of letter {index + 1}, {letter}"
              value={own.get(index) ?? part.colour}
              onchange={(event) => colourLetter(index, event.currentTarget.value)}
            />
          </label>
        {/if}
      {/each}
    </div>
  </div>
</Fold>
{#if choosing}
  <FaceChooser
    jobId={job.id}
    {part}
    faces={catalogue.faces}
    current={words.face}
    onface={(key) => {
      choosing = false;
      void change({ face: key });
    }}
    onclose={() => (choosing = false)}
  />
{/if}
