<script lang="ts">
  import TextField from '../../lib/ui/TextField.svelte';
  import * as api from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import { showFigure } from '../../lib/units';
  import type { PanelProps } from '../station';
  import Looks from './Looks.svelte';
  import Took from './Took.svelte';
  import Troubles from './Troubles.svelte';

  const { open, job }: PanelProps = $props();

  const GRADES = ['spoiled', 'poor', 'passable', 'good', 'as wished'];
  const record = $derived(job.record);
  let happened = $state.raw<api.Happened | null>(null);
  let problem = $state('');
  function save(change: Partial<api.RecordEntry>): Promise<unknown> | undefined {
    const { grade, notes, minutes, used_ml, troubles, looks } = record;
    return open.record({ grade, notes, minutes, used_ml, troubles, looks, ...change });
  }

  $effect(() => {
    // Asked anew for each version of the job, and for each tick.
    void [job.version, job.stations];
    const asked = job.id;
    api.getHappened(asked, settings.unit).then(
      (found) => {
        if (asked === job.id) [happened, problem] = [found, ''];
      },
      (error: unknown) =>
        (problem = error instanceof api.Problem ? error.message : 'What happened could not be loaded.'),
    );
  });
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
{#if problem}<p class="m-0 font-bold" role="alert">{problem}</p>{/if}
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
  <Took {happened} {record} onchange={save} />
  <Looks {open} {job} onchange={save} />
  <section aria-label="What it teaches">
    <h3 class="m-0 mb-1 text-base font-bold">What it teaches</h3>
    {#if happened.lessons.length}
      <ul class="m-0 flex list-none flex-col gap-1 p-0 text-sm">
        {#each happened.lessons as lesson (lesson.about)}
          <li class="grid grid-cols-[1fr_auto] gap-x-3 border-t border-(--line) py-1">
            <span>{lesson.about}</span>
            <span class="text-right"
              ><strong>{showFigure(lesson.value, lesson.unit, settings.unit)}</strong>
              <span class="text-(--faint)">table {showFigure(lesson.table, lesson.unit, settings.unit)}</span
              ></span
            >
          </li>
        {/each}
      </ul>
    {/if}
    <p class="m-0 mt-1 text-sm text-(--faint)">
      {#if !happened.lessons.length}
        Nothing yet: it needs steps ticked as they are done, or minutes and paint written down here.
      {:else if happened.is_closed}
        Later plans go by it, as far as your other jobs agree.
      {:else}
        Later plans go by it once you tick the record off.
      {/if}
      <a class="font-bold underline" href="#/figures">All your figures</a>
    </p>
  </section>
{/if}

<style>
  .grade[aria-pressed='true'] {
    background: var(--grass);
    color: var(--sheet);
  }
</style>
