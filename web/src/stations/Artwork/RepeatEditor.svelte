<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Part, Repeat } from '../../lib/api/client';
  import Button from 'flowbite-svelte/Button.svelte';
  import { useLimits } from '../../lib/limits';
  import Fold from '../../lib/ui/Fold.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import Tick from '../../lib/ui/Tick.svelte';

  interface Props {
    open: OpenJob;
    part: Part;
  }
  const { open, part }: Props = $props();

  const KINDS = [
    ['once', 'Once'],
    ['row', 'In a row'],
    ['grid', 'In rows'],
    ['ring', 'In a ring'],
    ['scatter', 'Scattered'],
  ] as const;
  const START: Omit<Repeat, 'kind'> = {
    across: 3,
    down: 2,
    gap_across: 10,
    gap_down: 10,
    radius: 100,
    turning: true,
    seed: 1,
    colours: [],
  };
  const limits = useLimits();
  const mostSeeds = $derived(limits('repeat.seed')?.most ?? Infinity);
  const repeat = $derived(part.repeat);
  const kind = $derived(repeat?.kind ?? 'once');
  const change = (entries: Partial<Repeat>) =>
    open.changePart(part.id, (now) => (now.repeat ? { repeat: { ...now.repeat, ...entries } } : {}));

  function setKind(to: (typeof KINDS)[number][0]): void {
    const next = to === 'once' ? null : { ...START, ...repeat, kind: to, across: to === 'scatter' ? 12 : 3 };
    void open.changePart(part.id, { repeat: next });
  }
</script>

<Fold title="Repeat" open={!!repeat}>
  <OneOf label="How it repeats" value={kind} of={KINDS} onchange={setKind} />
  {#if repeat}
    <div class="grid grid-cols-2 gap-3">
      <NumberField
        label={kind === 'grid' ? 'Across' : kind === 'scatter' ? 'At most' : 'How many'}
        entry="repeat.across"
        value={repeat.across ?? 3}
        onchange={(across) => across && change({ across })}
      />
      {#if kind === 'grid'}
        <NumberField
          label="Down"
          entry="repeat.down"
          value={repeat.down ?? 1}
          onchange={(down) => down && change({ down })}
        />
      {/if}
      {#if kind === 'ring'}
        <LengthField
          label="Radius"
          entry="repeat.radius"
          value={repeat.radius ?? 100}
          onchange={(radius) => radius && change({ radius })}
        />
      {:else}
        <LengthField
          label={kind === 'scatter' ? 'Least gap' : 'Gap across'}
          entry="repeat.gap_across"
          value={repeat.gap_across ?? 10}
          onchange={(mm) => change({ gap_across: mm ?? 0 })}
        />
      {/if}
      {#if kind === 'grid'}
        <LengthField
          label="Gap down"
          entry="repeat.gap_down"
          value={repeat.gap_down ?? 10}
          onchange={(mm) => change({ gap_down: mm ?? 0 })}
        />
      {/if}
    </div>
    {#if kind === 'ring' || kind === 'scatter'}
      <Tick
        label="Copies turn"
        checked={repeat.turning ?? true}
        onchange={(turning) => change({ turning })}
      />
    {/if}
    {#if kind === 'scatter'}
      <div class="flex items-center justify-between">
        <Button
          color="alternative"
          size="xs"
          onclick={() => change({ seed: (repeat.seed ?? 1) < mostSeeds ? (repeat.seed ?? 1) + 1 : 1 })}
          >Scatter again</Button
        >
      </div>
    {/if}
    {#if kind === 'scatter' || part.laid < part.asked}
      <p class="m-0 text-sm text-(--faint)">{part.laid} of {part.asked} lie on the blank</p>
    {/if}
    <div role="group" aria-label="Shades of the copies">
      <p class="m-0 mb-1 text-sm">Shades of the copies, in turn</p>
      <div class="flex flex-wrap items-center gap-1">
        {#each repeat.colours ?? [] as colour, index (index)}
          <input
            type="color"
            class="h-7 w-9 cursor-pointer border border-(--line)"
            aria-label="Shade {index + 1}"
            value={colour}
            onchange={(event) => {
              const shade = event.currentTarget.value;
              void change({ colours: (repeat.colours ?? []).map((old, at) => (at === index ? shade : old)) });
            }}
          />
        {/each}
        <button
          class="cursor-pointer text-sm font-bold underline"
          onclick={() => change({ colours: [...(repeat.colours ?? []), part.colour ?? '#c2571a'] })}
          >One more</button
        >
        {#if repeat.colours?.length}
          <button class="cursor-pointer text-sm underline" onclick={() => change({ colours: [] })}
            >All alike</button
          >
        {/if}
      </div>
    </div>
  {/if}
</Fold>
