<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Part, PartChange } from '../../lib/api/client';
  import ColourField from '../../lib/ui/ColourField.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';

  interface Props {
    open: OpenJob;
    part: Part;
    frame: NonNullable<Part['frame']>;
  }
  const { open, part, frame }: Props = $props();

  const STYLES = [
    ['single', 'One line'],
    ['double', 'Two lines'],
    ['dashed', 'Dashes'],
  ] as const;
  const change = (entries: PartChange) => open.changePart(part.id, entries);
</script>

<div class="grid grid-cols-2 gap-3">
  <OneOf label="Line" value={frame.style} of={STYLES} onchange={(style) => change({ style })} />
  <ColourField label="Colour" value={part.colour ?? '#22313a'} onchange={(colour) => change({ colour })} />
  <LengthField
    label="From the edge"
    entry="frame.inset"
    value={frame.inset}
    onchange={(inset) => change({ inset: inset ?? 0 })}
  />
  <LengthField
    label="Thickness"
    entry="frame.thickness"
    value={frame.thickness}
    onchange={(mm) => mm && change({ thickness: mm })}
  />
  {#if frame.style !== 'single'}
    <LengthField
      label="Gap"
      entry="frame.gap"
      value={frame.gap}
      onchange={(mm) => mm && change({ gap: mm })}
    />
  {/if}
  {#if frame.style === 'dashed'}
    <LengthField
      label="Dash"
      entry="frame.dash"
      value={frame.dash}
      onchange={(mm) => mm && change({ dash: mm })}
    />
  {/if}
</div>
