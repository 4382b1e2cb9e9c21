<script lang="ts">
  import Copy from '@lucide/svelte/icons/copy';
  import FlipHorizontal from '@lucide/svelte/icons/flip-horizontal-2';
  import RotateCw from '@lucide/svelte/icons/rotate-cw';
  import Trash from '@lucide/svelte/icons/trash-2';
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Part, PartChange } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import Slide from '../../lib/ui/Slide.svelte';
  import Tick from '../../lib/ui/Tick.svelte';
  import { showLength } from '../../lib/units';

  interface Props {
    open: OpenJob;
    part: Part;
  }
  const { open, part }: Props = $props();

  const change = (entries: PartChange) => open.changePart(part.id, entries);
  const show = (mm: number) => showLength(mm, settings.unit);
  const most = $derived(Math.max(4, Math.abs(part.embolden), part.height / 20));
</script>

<div class="flex gap-1.5">
  <Button
    color="alternative"
    size="xs"
    title="Turn a quarter"
    onclick={() => change({ turn: (part.turn + 90) % 360 })}
    ><RotateCw size={15} aria-hidden="true" /><span class="sr-only">Turn a quarter</span></Button
  >
  <Button
    color="alternative"
    size="xs"
    title="Flip left to right"
    aria-pressed={part.flipped}
    onclick={() => change({ flipped: !part.flipped })}
    ><FlipHorizontal size={15} aria-hidden="true" /><span class="sr-only">Flip left to right</span></Button
  >
  <Button color="alternative" size="xs" title="Copy" onclick={() => open.copyPart(part.id)}
    ><Copy size={15} aria-hidden="true" /><span class="sr-only">Copy</span></Button
  >
  <Button color="alternative" size="xs" title="Remove" onclick={() => open.dropPart(part.id)}
    ><Trash size={15} aria-hidden="true" /><span class="sr-only">Remove</span></Button
  >
</div>
<Fold title="Place and size">
  <div class="grid grid-cols-2 gap-3">
    <LengthField
      label="Right of the middle"
      entry="drawn.x"
      value={part.x}
      onchange={(x) => change({ x: x ?? 0 })}
    />
    <LengthField
      label="Below the middle"
      entry="drawn.y"
      value={part.y}
      onchange={(y) => change({ y: y ?? 0 })}
    />
    <LengthField
      label="Width"
      entry="drawn.width"
      value={part.width}
      onchange={(width) => width && change({ width })}
    />
    <NumberField
      label="Turned (degrees)"
      entry="drawn.turn"
      value={part.turn}
      onchange={(turn) => change({ turn: turn ?? 0 })}
    />
  </div>
  <Slide
    label="Strokes thicker by"
    entry="drawn.embolden"
    value={part.embolden}
    min={-most}
    max={most}
    {show}
    onpeek={(embolden) => open.peek({ element: part.id, entries: { embolden } })}
    onchange={(embolden) => change({ embolden })}
  />
  <Tick
    label="Runs off the edge, trimmed there"
    checked={part.runs_off}
    onchange={(runs_off) => change({ runs_off })}
  />
</Fold>
