<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { MaskJob } from './part';
  import ColourField from '../../lib/ui/ColourField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import Tick from '../../lib/ui/Tick.svelte';

  interface Props {
    open: OpenJob;
    job: MaskJob;
  }
  const { open, job }: Props = $props();

  const KINDS = [
    ['no', 'The design is painted through it'],
    ['yes', 'Reverse: the shapes stay on, everything around is painted'],
  ] as const;
  const MASKS = [
    ['one', 'One mask for all colours'],
    ['each', 'One mask a colour'],
    ['lines', 'One line or part after the other'],
  ] as const;
  const several = $derived(job.picture.masks.length > 1);

  function paintFirst(colour: string | null | undefined): void {
    const rest = job.picture.masks.flatMap((mask) =>
      mask.colour && mask.colour !== colour ? [mask.colour] : [],
    );
    if (colour) open.change({ mask_order: [colour, ...rest] });
  }
  const base = $derived(job.inputs.coatings.find((one) => one.role === 'base'));
</script>

<OneOf
  label="What the mask does"
  value={job.inputs.reverse ? 'yes' : 'no'}
  of={KINDS}
  onchange={(key) => open.change({ reverse: key === 'yes' })}
/>
{#if job.inputs.reverse}
  <p class="m-0 text-sm">
    The shapes show in the base coat ({base
      ? base.where === 'under'
        ? 'under the design'
        : 'everywhere'
      : 'none yet'}); all around them is painted.
  </p>
  <ColourField
    label="Colour of the field"
    value={job.inputs.field_colour}
    onchange={(field_colour) => open.change({ field_colour })}
  />
{:else}
  {#if job.picture.colours.length > 1 || several || job.elements.length > 1 || job.elements.some( (one) => one.words?.text.includes('\n') )}
    <OneOf label="Masks" value={job.inputs.masks} of={MASKS} onchange={(masks) => open.change({ masks })} />
    <p class="m-0 text-sm">
      {#if job.inputs.masks !== 'lines' && job.mask.advice.masks !== job.inputs.masks}<strong
          >Better {job.mask.advice.masks === 'each' ? 'a mask for each' : 'one for all'}.</strong
        >{/if}
      {job.mask.advice.why}
    </p>
  {/if}
  {#if several}
    <ol class="m-0 flex list-none flex-col gap-1 p-0 text-sm" aria-label="Order of the masks">
      {#each job.picture.masks as mask (mask.number)}
        <li class="flex items-center gap-2">
          <span class="swatch" style:background={mask.colour}></span>
          <span class="flex-1">{mask.number}. {mask.name}</span>
          {#if mask.number > 1 && mask.colour}
            <Button
              color="alternative"
              size="xs"
              disabled={open.busy > 0}
              onclick={() => paintFirst(mask.colour)}>Paint it first</Button
            >
          {/if}
        </li>
      {/each}
    </ol>
    <p class="m-0 text-sm text-(--faint)">
      {job.picture.aligned
        ? 'Each is as large as the blank: they are laid edge on edge.'
        : 'Each has a notch in the middle of every side of its border, to be laid on the same four marks.'}
    </p>
  {/if}
  <Tick
    label="As large as the blank, laid edge on edge"
    checked={job.inputs.whole_blank}
    onchange={(whole_blank) => open.change({ whole_blank })}
  />
{/if}

<style>
  .swatch {
    width: 1rem;
    height: 1rem;
    border: 1px solid var(--line);
    border-radius: 50%;
  }
</style>
