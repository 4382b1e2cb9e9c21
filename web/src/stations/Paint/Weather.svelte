<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Job, JobChange } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import HeatField from '../../lib/ui/HeatField.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import Tick from '../../lib/ui/Tick.svelte';
  import { showMoment } from '../../lib/units';
  import { booth } from './booth.svelte';

  interface Props {
    open: OpenJob;
    job: Job;
  }
  const { open, job }: Props = $props();

  const weather = $derived(job.inputs.weather as Required<Job['inputs']['weather']>);
  const spraying = $derived(booth.room?.spraying);
  const set = (entries: Partial<NonNullable<JobChange['weather']>>) =>
    open.change(({ inputs }) => ({ weather: { ...inputs.weather, ...entries, looked: true } }));
  const MARKS = { go: '✓', unknown: '?', wait: '~', no: '✗' } as const;
  const now = $derived(booth.forecast?.hours[0]);

  /** Put in what the forecast says of now. */
  function take(): void {
    if (!now) return;
    const { temperature, humidity, wind, rain } = now;
    void set({ temperature, humidity, wind, rain });
  }
</script>

<Fold title="Weather and room" value={spraying?.summary ?? ''}>
  <div class="grid grid-cols-3 gap-3">
    <HeatField
      label="Air"
      value={weather.temperature}
      entry="weather.temperature"
      onchange={(temperature) => temperature !== null && set({ temperature })}
    />
    <NumberField
      label="Humidity, %"
      value={weather.humidity}
      entry="weather.humidity"
      onchange={(humidity) => humidity !== null && set({ humidity })}
    />
    <NumberField
      label="Wind, m/s"
      value={weather.wind ?? 0}
      entry="weather.wind"
      onchange={(wind) => wind !== null && set({ wind })}
    />
  </div>
  <Tick
    label="It rains where it is painted"
    checked={weather.rain ?? false}
    onchange={(rain) => set({ rain })}
  />
  {#if spraying}
    <p class="m-0 mt-2 font-bold" role="status" data-verdict={spraying.verdict}>
      {MARKS[spraying.verdict]}
      {spraying.summary}
    </p>
    {#if spraying.verdict === 'unknown'}
      <Button color="alternative" size="xs" onclick={() => set({})}>I looked: it is as entered here</Button>
    {/if}
    <table class="mt-1 w-full text-sm">
      <thead class="sr-only"><tr><th>Limit</th><th>Reads</th><th>Should be</th></tr></thead>
      <tbody>
        {#each spraying.readings as reading (reading.code)}
          <tr class:against={reading.verdict === 'no'}>
            <th scope="row" class="text-left font-normal">{MARKS[reading.verdict]} {reading.name}</th>
            <td class="text-right font-bold whitespace-nowrap">{reading.reads}</td>
            <td class="pl-2 text-(--faint)">{reading.should}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <div class="mt-2 flex flex-col items-start gap-1 text-sm">
    {#if booth.forecast}
      {@const [first, ...rest] = booth.forecast.spells}
      <p class="m-0">
        {booth.forecast.summary}
        {#if first}<strong>{showMoment(first.begins)} to {showMoment(first.ends)}.</strong>{/if}
        {#if rest.length}Then {rest
            .slice(0, 2)
            .map((spell) => showMoment(spell.begins))
            .join(', ')}.{/if}
      </p>
      <p class="m-0 text-(--faint)">{booth.forecast.source}. Look outside, too.</p>
      <Button color="alternative" size="xs" onclick={take}>Use the forecast for now</Button>
    {:else}
      <Button color="alternative" size="xs" onclick={() => booth.foresee(job.id)}>Get the forecast</Button>
    {/if}
  </div>
</Fold>

<style>
  .against {
    color: var(--fault);
  }
</style>
