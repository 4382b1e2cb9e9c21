<script lang="ts">
  import NumberField from '../../lib/ui/NumberField.svelte';
  import TextField from '../../lib/ui/TextField.svelte';
  import type { RecordEntry } from '../../lib/api/client';
  import type { PanelProps } from '../station';

  const { open, job }: PanelProps = $props();

  const record = $derived(job.record);
  const save = (change: Partial<RecordEntry>) => open.record({ ...record, ...change });
  const GRADES = ['spoiled', 'poor', 'passable', 'good', 'as wished'];
  const TIMED = ['weed', 'tack', 'paint', 'peel'];

  function setMinutes(station: string, minutes: number | null): void {
    const rest = Object.fromEntries(Object.entries(record.minutes ?? {}).filter(([key]) => key !== station));
    void save({ minutes: minutes === null ? rest : { ...rest, [station]: minutes } });
  }
</script>

<fieldset class="m-0 border-0 p-0">
  <legend class="mb-1 text-sm">How did it come out?</legend>
  <div class="flex gap-1">
    {#each GRADES as word, index (word)}
      <button
        class="grade flex-1 cursor-pointer rounded-lg border border-(--line) p-1.5 text-sm"
        aria-pressed={record.grade === index + 1}
        onclick={() => save({ grade: record.grade === index + 1 ? null : index + 1 })}
      >
        <span class="stamp block text-lg">{index + 1}</span>{word}
      </button>
    {/each}
  </div>
</fieldset>
<TextField
  label="Notes for next time"
  entry="record.notes"
  name="{job.id}/notes"
  rows={4}
  value={record.notes ?? ''}
  onchange={(notes) => save({ notes })}
/>
<div class="grid grid-cols-2 gap-3">
  {#each TIMED as station (station)}
    <NumberField
      label="Minutes to {station}"
      entry="record.minutes"
      value={record.minutes?.[station] ?? null}
      otherwise={0}
      onchange={(minutes) => setMinutes(station, minutes)}
    />
  {/each}
  <NumberField
    label="Paint used, ml"
    entry="record.paint_ml"
    value={record.paint_ml ?? null}
    otherwise={0}
    onchange={(paint_ml) => save({ paint_ml })}
  />
</div>

<style>
  .grade[aria-pressed='true'] {
    background: var(--grass);
    color: var(--sheet);
  }
</style>
