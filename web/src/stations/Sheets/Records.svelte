<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { Snippet } from 'svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { SheetsJob } from './part';
  import type { OwnCutter, Unit } from '../../lib/api/client';
  import * as api from '../../lib/api/client';
  import { useLimits } from '../../lib/limits';
  import Fold from '../../lib/ui/Fold.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import { showLength } from '../../lib/units';
  import { cutterEntries } from './records';

  interface Props {
    open: OpenJob;
    job: SheetsJob;
    unit: Unit;
    /** Cutters have changed: the list to choose from is asked for again. */
    onchanged: () => void;
    /** What of them this job uses. */
    children: Snippet;
  }
  const { open, job, unit, onchanged, children }: Props = $props();

  const id = $props.id();
  const limits = useLimits();
  const FEEDS = [
    ['mat', 'A mat'],
    ['roll', 'A roll, no mat'],
    ['hand', 'Nothing: by hand'],
  ] as const;
  let cutter = $state<OwnCutter | null>(null);
  let cutterId = $state<number | null>(null);
  let gone = $state<[api.Shelf, number, string] | null>(null);

  function startCutter(): void {
    const now =
      open.workshop?.classes.find((one) => one.key === job.inputs.cutter) ?? open.workshop?.classes[0];
    if (!now) return;
    [cutter, cutterId] = [{ ...cutterEntries(now), name: `My ${now.name.toLowerCase()}` }, null];
  }

  async function keepCutter(): Promise<void> {
    const [made, number] = [cutter, cutterId];
    if (!made) return;
    if (
      await open.keepRecord(() => (number === null ? api.addCutter(made) : api.changeCutter(number, made)))
    ) {
      cutter = null;
      onchanged();
    }
  }

  async function drop(kind: api.Shelf, number: number, name: string): Promise<void> {
    if (await open.keepRecord(() => api.dropRecord(kind, number))) {
      gone = [kind, number, name];
      onchanged();
    }
  }

  async function bringBack(): Promise<void> {
    const last = gone;
    if (last && (await open.keepRecord(() => api.undoRecord(last[0], last[1])))) {
      gone = null;
      onchanged();
    }
  }

  const text = (event: Event) => (event.currentTarget as HTMLInputElement).value;
</script>

<Fold title="Own cutters">
  {@render children()}
  {#if gone}
    <p class="m-0 text-sm" role="status">
      “{gone[2]}” is removed.
      <button class="cursor-pointer font-bold underline" onclick={bringBack}>Bring it back</button>
    </p>
  {/if}
  <ul class="m-0 flex list-none flex-col gap-1 p-0 text-sm" aria-label="Your cutters">
    {#each open.workshop?.cutters ?? [] as one (one.id)}
      <li class="flex items-center gap-2">
        <span class="min-w-0 flex-1"
          ><strong>{one.name}</strong>
          <span class="block text-(--faint)"
            >reaches {showLength(one.reach_width, unit)} by {showLength(one.reach_length, unit)}</span
          ></span
        >
        <button
          class="cursor-pointer font-bold underline"
          aria-label="Change “{one.name}”"
          onclick={() => ([cutter, cutterId] = [cutterEntries(one), one.id])}>Change</button
        >
        <button
          class="cursor-pointer font-bold underline"
          aria-label="Take “{one.name}” out"
          onclick={() => drop('cutters', one.id, one.name)}>Remove</button
        >
      </li>
    {/each}
  </ul>
  {#if cutter}
    {@const made = cutter}
    <form
      class="card grid grid-cols-2 gap-2 p-2"
      aria-label="A cutter of yours"
      onsubmit={(event) => {
        event.preventDefault();
        void keepCutter();
      }}
    >
      <div class="col-span-2">
        <Label for="{id}-cutter" class="mb-1 text-sm text-(--ink)">Name</Label>
        <Input
          id="{id}-cutter"
          size="sm"
          value={made.name}
          maxlength={limits('cutter.name')?.most}
          oninput={(event: Event) => (cutter = { ...made, name: text(event) })}
        />
      </div>
      <OneOf
        label="It feeds"
        value={made.feeds}
        of={FEEDS}
        onchange={(feeds) => (cutter = { ...made, feeds })}
      />
      <span></span>
      <LengthField
        label="Reach across"
        entry="cutter.reach_width"
        value={made.reach_width}
        onchange={(value) => value && (cutter = { ...made, reach_width: value })}
      />
      <LengthField
        label="Reach along"
        entry="cutter.reach_length"
        value={made.reach_length}
        onchange={(value) => value && (cutter = { ...made, reach_length: value })}
      />
      <NumberField
        label="Least force, g"
        entry="cutter.force_low"
        value={made.force_low}
        onchange={(value) => value && (cutter = { ...made, force_low: value })}
      />
      <NumberField
        label="Most force, g"
        entry="cutter.force"
        value={made.force}
        onchange={(value) => value && (cutter = { ...made, force: value })}
      />
      <NumberField
        label="Slowest, mm/s"
        entry="cutter.slowest"
        value={made.slowest}
        onchange={(value) => value && (cutter = { ...made, slowest: value })}
      />
      <NumberField
        label="Fastest, mm/s"
        entry="cutter.fastest"
        value={made.fastest}
        onchange={(value) => value && (cutter = { ...made, fastest: value })}
      />
      <Button size="xs" type="submit" class="col-span-2">Keep this cutter</Button>
    </form>
  {:else}
    <Button color="alternative" size="xs" onclick={startCutter}>Add a cutter of yours</Button>
  {/if}
  <p class="m-0 text-sm">
    Rolls, sheets and offcuts are kept at <a class="font-bold underline" href="#/stores">the stores</a>.
  </p>
</Fold>
