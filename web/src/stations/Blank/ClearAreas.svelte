<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { BlankEntry, Job } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import { settings } from '../../lib/settings.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import TextField from '../../lib/ui/TextField.svelte';
  import { showLength } from '../../lib/units';

  interface Props {
    open: OpenJob;
    job: Job;
    blank: BlankEntry;
  }
  const { open, job, blank }: Props = $props();

  type Area = NonNullable<BlankEntry['clear']>[number];
  const WHYS = [
    ['staples', 'Staples, a bow over them'],
    ['trim', 'Sewn trim'],
    ['strap', 'A strap'],
    ['seam', 'A seam'],
    ['edge', 'A rubber edge'],
    ['holes', 'Holes'],
    ['line', 'A roof line'],
    ['other', 'Something else'],
  ] as const;
  const SHAPES = [
    ['rectangle', 'Rectangle'],
    ['round', 'Round'],
  ] as const;
  const TIMINGS = [
    ['there', 'Already there'],
    ['before', 'Added before painting'],
    ['after', 'Added after painting'],
  ] as const;
  const areas = $derived(blank.clear ?? []);
  const said = $derived(job.picture.clear);

  const change = (index: number, entries: Partial<Area>) =>
    open.changeBlank((now) => ({
      clear: (now.clear ?? []).map((area, k) => (k === index ? { ...area, ...entries } : area)),
    }));
  /** The area just marked: its fields stand open. */
  let made = $state<number | null>(null);
  function add(): Promise<boolean> {
    made = areas.length;
    return open.changeBlank((now) => ({
      clear: [...(now.clear ?? []), { x: 30, y: 30, width: 40, height: 40, why: 'staples' } satisfies Area],
    }));
  }
  const drop = (index: number) =>
    open.changeBlank((now) => ({ clear: (now.clear ?? []).filter((_, k) => k !== index) }));
</script>

<Fold title="Areas to keep clear" open={areas.length > 0}>
  <p class="m-0 text-sm text-(--faint)">
    Nothing is painted, pressed or pinned there, and the mask ends beside them. Places are from the top left
    of the blank, inside its rim.
  </p>
  {#each areas as area, index (index)}
    {@const name = said[index]?.name ?? 'Area'}
    <details class="card px-3 py-2" open={made === index}>
      <summary class="cursor-pointer text-sm">
        <strong>{name}</strong>, {showLength(area.width ?? 40, settings.unit)} by {showLength(
          area.height ?? 40,
          settings.unit,
        )}
      </summary>
      <div role="group" aria-label={name} class="grid grid-cols-2 gap-3 pt-2">
        <OneOf
          label="What is there"
          value={area.why ?? 'other'}
          of={WHYS}
          onchange={(why) => change(index, { why })}
        />
        <TextField
          label="Its name"
          name="{job.id}/clear/{index}"
          rows={1}
          entry="clear.name"
          value={area.name ?? ''}
          onchange={(name) => change(index, { name })}
        />
        <LengthField
          label="Middle, from the left"
          entry="clear.x"
          value={area.x}
          onchange={(x) => x !== null && change(index, { x })}
        />
        <LengthField
          label="Middle, from the top"
          entry="clear.y"
          value={area.y}
          onchange={(y) => y !== null && change(index, { y })}
        />
        <LengthField
          label="How wide"
          entry="clear.width"
          value={area.width ?? 40}
          onchange={(width) => width && change(index, { width })}
        />
        <LengthField
          label="How high"
          entry="clear.height"
          value={area.height ?? 40}
          onchange={(height) => height && change(index, { height })}
        />
        <OneOf
          label="Its shape"
          value={area.shape ?? 'rectangle'}
          of={SHAPES}
          onchange={(shape) => change(index, { shape })}
        />
        <OneOf
          label="When it comes"
          value={area.timing ?? 'there'}
          of={TIMINGS}
          onchange={(timing) => change(index, { timing })}
        />
        <Button color="alternative" size="xs" class="col-span-2" onclick={() => drop(index)}
          >Remove this area</Button
        >
      </div>
    </details>
  {/each}
  <Button color="alternative" size="sm" onclick={add}>Mark an area</Button>
</Fold>
