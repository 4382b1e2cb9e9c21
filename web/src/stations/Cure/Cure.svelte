<script lang="ts">
  import type { JobChange } from '../../lib/api/client';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import Tick from '../../lib/ui/Tick.svelte';
  import type { PanelProps } from '../station';

  const { open, job }: PanelProps = $props();
  const weather = $derived(job.inputs.weather);
  const set = (entries: Partial<NonNullable<JobChange['weather']>>) =>
    open.change(({ inputs }) => ({ weather: { ...inputs.weather, ...entries } }));
  const FIELDS = [
    ['temperature', 'Room, °C'],
    ['humidity', 'Humidity, %'],
    ['wind', 'Wind, m/s'],
  ] as const;
</script>

<div class="grid grid-cols-3 gap-3">
  {#each FIELDS as [name, label] (name)}
    <NumberField
      {label}
      value={weather[name] ?? 0}
      entry="weather.{name}"
      onchange={(value) => value !== null && set({ [name]: value })}
    />
  {/each}
</div>
<Tick
  label="It rains where it is painted"
  checked={weather.rain ?? false}
  onchange={(rain) => set({ rain })}
/>
