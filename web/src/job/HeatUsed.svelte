<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { Task } from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import { heatEntry, readHeat } from '../lib/units';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    task: Task;
    heat: NonNullable<Task['heat']>;
    open: OpenJob;
  }
  const { task, heat, open }: Props = $props();

  const id = $props.id();
  /** In the maker's unit. */
  let used = $state<number>();
  let seconds = $state<number>();
  let kept = $state(false);

  async function keep(event: Event): Promise<void> {
    event.preventDefault();
    await open.used(
      task.id,
      used === undefined ? heat.celsius : readHeat(used, settings.unit),
      seconds ?? heat.seconds,
    );
    kept = !open.problem;
  }
</script>

<details class="text-sm">
  <summary class="cursor-pointer">Other heat or time?</summary>
  <form class="mt-1 flex flex-wrap items-end gap-2" onsubmit={keep}>
    <p class="m-0 w-full">{heat.why}</p>
    <div class="w-20">
      <Label for="{id}-c" class="mb-1 text-sm text-(--ink)">{settings.unit === 'in' ? '°F' : '°C'} used</Label
      >
      <Input
        id="{id}-c"
        type="number"
        size="sm"
        step="any"
        placeholder={String(heatEntry(heat.celsius, settings.unit))}
        bind:value={used}
      />
    </div>
    <div class="w-20">
      <Label for="{id}-s" class="mb-1 text-sm text-(--ink)">s a rest</Label>
      <Input
        id="{id}-s"
        type="number"
        size="sm"
        step="any"
        placeholder={String(heat.seconds)}
        bind:value={seconds}
      />
    </div>
    <Button type="submit" color="alternative" size="sm">Save</Button>
    <p class="m-0 w-full text-(--faint)" role="status">
      {kept
        ? 'Saved. If it holds, it will be suggested next time for this mask on this surface.'
        : 'First mark where it lifted: settings that lifted are not suggested again.'}
    </p>
  </form>
</details>
