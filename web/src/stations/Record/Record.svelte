<script lang="ts">
  import TextField from '../../lib/ui/TextField.svelte';
  import type * as api from '../../lib/api/client';
  import type { PanelProps } from '../station';
  import { written } from './entry';
  import { told } from './told.svelte';
  import KeepRecipe from './KeepRecipe.svelte';
  import Took from './Took.svelte';
  import Troubles from './Troubles.svelte';

  const { open, job }: PanelProps = $props();

  const GRADES = ['spoiled', 'poor', 'passable', 'good', 'as wished'];
  const record = $derived(job.record);
  $effect(() => void told.fetch(job));
  const happened = $derived(told.of(job));
  const save = (change: Partial<api.RecordEntry>) => open.record(written(job, change));
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
{#if happened?.is_worth_a_recipe}<KeepRecipe {open} {job} />{/if}
{#if told.problem}<p class="m-0 font-bold" role="alert">{told.problem}</p>{/if}
{#if happened}
  <Troubles
    causes={happened.causes}
    troubles={record.troubles ?? {}}
    copies={job.copies}
    onchange={(troubles) => save({ troubles })}
  />
{/if}
<TextField
  label="Notes for next time"
  entry="record.notes"
  name="{job.id}/notes"
  rows={3}
  value={record.notes ?? ''}
  onchange={(notes) => save({ notes })}
/>
{#if happened}
  <p class="m-0"><a class="font-bold underline" href="#/price/{job.id}">Cost and price, quotation</a></p>
  <Took {happened} {record} onchange={save} />
{/if}

<style>
  .grade[aria-pressed='true'] {
    background: var(--grass);
    color: var(--sheet);
  }
</style>
