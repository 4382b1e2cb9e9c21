<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { has, type Piece, type Task } from '../lib/api/client';
  import { showMinutes, showMoment } from '../lib/units';
  import Fold from '../lib/ui/Fold.svelte';
  import type { OpenJob } from './open-job.svelte';
  import Explained from '../lib/ui/Explained.svelte';
  import HeatUsed from './HeatUsed.svelte';
  import Reason from './Reason.svelte';
  import Marking from './Marking.svelte';
  import RollCall from './RollCall.svelte';

  interface Props {
    open: OpenJob;
    tasks: Task[];
    pieces: Piece[];
    /** The task whose marks the picture shows, where it shows one at a time. */
    shown?: string | null;
    onshow?: (task: Task) => void;
  }
  const { open, tasks, pieces, shown = null, onshow }: Props = $props();
  const following = $derived(open.job?.next?.task?.id);
  /** Steps whose turn has not come, and that the maker wants to read all the same. */
  const unfolded = new SvelteSet<string>();
  const waits = (task: Task) => task.state === 'open' && shown !== task.id;
  const isFolded = (task: Task) => waits(task) && !unfolded.has(task.id);
  function fold(id: string): void {
    if (!unfolded.delete(id)) unfolded.add(id);
  }
  /** The first step left that carries a caution tells it whole; the same one after it is named. */
  const tellsFirst = (task: Task) =>
    tasks.find((one) => !one.done_at && one.caution === task.caution)?.id === task.id;
</script>

<ol class="m-0 flex list-none flex-col gap-2 p-0">
  {#each tasks as task (task.id)}
    <li
      data-task={task.id}
      class="card px-3 {task.done_at ? 'py-1.5' : isFolded(task) ? 'py-1' : 'py-2'}"
      class:next={following === task.id}
      class:done={task.done_at && !task.changed.length}
    >
      <Checkbox
        checked={!!task.done_at}
        onclick={(event: MouseEvent) => {
          // The tick shows what was kept, not what was clicked.
          event.preventDefault();
          // What is ticked before its turn may be refused: then what it asks for must be in sight.
          unfolded.add(task.id);
          void open.done(task.id, !task.done_at);
        }}
        class="items-start text-base text-(--ink)"
      >
        <strong>{task.title}</strong>
      </Checkbox>
      {#if !task.done_at}
        <!-- On paper all is told. -->
        <p class="m-0 mt-1 pl-6 text-sm" class:folded={isFolded(task)}><Explained text={task.detail} /></p>
        <p class="m-0 pl-6 text-sm text-(--faint)">
          {#if waits(task)}
            <button
              class="no-print mr-2 cursor-pointer underline"
              aria-label="How: {task.title}"
              aria-expanded={!isFolded(task)}
              onclick={() => fold(task.id)}>{isFolded(task) ? 'How' : 'Less'}</button
            >
          {/if}
          {#if onshow}
            <button
              class="no-print mr-2 cursor-pointer underline"
              aria-label="{shown === task.id ? 'Shown in the picture' : 'Show in the picture'}: {task.title}"
              aria-pressed={shown === task.id}
              onclick={() => onshow(task)}>{shown === task.id ? 'Shown in the picture' : 'Show'}</button
            >
          {/if}
          {#if task.state === 'waiting' && task.opens}
            <strong class="text-(--ink)">Not before {showMoment(task.opens)}</strong>
          {:else if isFolded(task)}
            <span>{task.held_up}</span>
          {:else if task.minutes}
            <span
              >About {showMinutes(task.minutes)}{task.needs.length ? `; ${task.needs.join(', ')}` : ''}</span
            >
          {/if}
          {#if task.copies > 1}<span class="ml-2">{task.copies_done} of {task.copies} {task.counted}</span
            >{/if}
        </p>
      {/if}
      {#if task.done_at}
        <p class="m-0 -mt-0.5 pl-6 text-sm text-(--grass)">
          Done {showMoment(task.done_at)}{task.done_by ? ` by ${task.done_by}` : ''}{task.reason
            ? `: ${task.reason}`
            : ''}
        </p>
        {#if task.changed.length}
          <p class="m-0 pl-6 text-sm font-bold text-(--signal-ink)">
            Done on an earlier version: since then the {task.changed.join(', the ')} changed.
          </p>
        {/if}
        {#if task.copies > 1}
          <p class="m-0 pl-6 text-sm text-(--faint)">{task.copies_done} of {task.copies} {task.counted}</p>
        {/if}
      {/if}
      {#if task.read}
        <p class="m-0 pl-6 text-sm">
          <strong>{task.read.within ? '✓ ' : ''}Measured {showMoment(task.read.at)}</strong>{task.read.what
            ? `, ${task.read.what}`
            : ''}: {task.read.instruction}
        </p>
      {/if}
      {#if task.caution && !task.done_at}<p class="caution m-0 mt-1 text-sm">
          <strong>Take care{tellsFirst(task) ? '.' : ', as above.'}</strong>
          {#if tellsFirst(task)}{task.caution}{/if}
        </p>{/if}
      {#if has(task, 'first-stroke') && !task.done_at && (task.begun || !isFolded(task))}
        <p class="m-0 mt-1 pl-6 text-sm">
          {#if task.begun}
            First stroke {showMoment(task.begun)}
          {:else}
            <button class="cursor-pointer font-bold underline" onclick={() => open.begin(task.id)}
              >First stroke now</button
            >
          {/if}
        </p>
      {/if}
      {#if open.early?.task === task.id}<Reason {open} early={open.early} />{/if}
      {#if task.heat && !isFolded(task)}
        <div class="mt-2 pl-6"><HeatUsed {task} heat={task.heat} {open} /></div>
      {/if}
      {#if task.marking && task.done_at && task.marking.marks.length}
        <div class="pl-6 text-sm">
          <Fold title="What was seen to: {task.marking.marks.length}">
            <Marking {task} marking={task.marking} {open} />
          </Fold>
        </div>
      {:else if task.marking && !isFolded(task)}
        <Marking {task} marking={task.marking} {open} />
      {/if}
      {#if task.call && task.call.of !== 'touch-ups' && !isFolded(task)}
        <RollCall
          {task}
          call={task.call}
          keepers={pieces.filter((piece) => task.call?.numbers.includes(piece.number))}
          {open}
        />
      {/if}
    </li>
  {/each}
</ol>

<style>
  .next {
    border-color: var(--signal);
    box-shadow: inset 4px 0 0 var(--signal);
  }
  .done {
    border-style: dashed;
    background: transparent;
  }
  @media screen {
    .folded {
      display: none;
    }
  }
  .caution {
    border-left: 4px solid var(--signal);
    padding-left: 0.6rem;
  }
</style>
