<script lang="ts">
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
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
  /** Steps shown after the one that is due; the rest is a press away. */
  const AHEAD = 1;
  let past = $state(false);
  let rest = $state(false);
  /** What was done last stays in sight: it can be taken back. */
  const latest = $derived(
    tasks.reduce<Task | null>(
      (last, task) => (task.done_at && (!last?.done_at || task.done_at >= last.done_at) ? task : last),
      null,
    ),
  );
  const isPast = (task: Task) =>
    !!task.done_at && !task.changed.length && open.shown !== task.id && task.id !== latest?.id;
  const behind = $derived(tasks.filter(isPast));
  const ahead = $derived(tasks.filter((task) => !task.done_at).slice(AHEAD + 1));
  /** What is done, and what is far off, is not told at first sight. */
  const isAway = (task: Task) => (isPast(task) ? !past : !rest && ahead.includes(task) && shown !== task.id);
  /** Steps the maker wants to read. */
  const unfolded = new SvelteSet<string>();
  const isDue = (task: Task) => task.id === following || task.state !== 'open';
  const isRead = (task: Task) => unfolded.has(task.id);
  /** Where one works: what is due, and what the maker turned to. */
  const isFolded = (task: Task) => !isDue(task) && !isRead(task) && shown !== task.id;
  function fold(id: string): void {
    if (!unfolded.delete(id)) unfolded.add(id);
  }
</script>

{#snippet how(task: Task)}
  {#if task.detail}
    <button
      class="no-print cursor-pointer underline"
      aria-label="How: {task.title}"
      aria-expanded={isRead(task)}
      onclick={() => fold(task.id)}>{isRead(task) ? 'Less' : 'How'}</button
    >
  {/if}
{/snippet}

{#if behind.length}
  <button
    class="no-print cursor-pointer self-start text-sm underline"
    aria-expanded={past}
    onclick={() => (past = !past)}>{past ? 'Hide what is done' : `${behind.length} done`}</button
  >
{/if}
<ol class="m-0 flex list-none flex-col gap-1.5 p-0">
  {#each tasks as task (task.id)}
    <li
      data-task={task.id}
      class="card px-3 {task.done_at || isFolded(task) ? 'py-1' : 'py-2'}"
      class:away={isAway(task)}
      class:next={following === task.id}
      class:done={task.done_at && !task.changed.length}
    >
      <div class="flex items-start gap-2">
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
        {#if isFolded(task) && !task.done_at}
          <span class="no-print ml-auto flex shrink-0 items-center gap-2 text-sm text-(--faint)">
            {#if task.caution}<TriangleAlert
                size={14}
                class="text-(--signal-ink)"
                aria-label="Take care"
                role="img"
              />{/if}
            {@render how(task)}
          </span>
        {/if}
      </div>
      {#if !task.done_at}
        <!-- On paper all is told. -->
        <div class="mt-1 pl-6 text-sm" class:folded={!isRead(task)}>
          {#if task.lines.length > 1}
            <ol class="m-0 list-decimal pl-5">
              {#each task.lines as line (line)}<li><Explained text={line} /></li>{/each}
            </ol>
          {:else}
            <p class="m-0"><Explained text={task.detail} /></p>
          {/if}
          {#if task.needs.length}<p class="m-0 text-(--faint)">You need: {task.needs.join(', ')}.</p>{/if}
          {#if task.held_up && isRead(task)}<p class="m-0 text-(--faint)">{task.held_up}</p>{/if}
        </div>
        <p class="m-0 pl-6 text-sm text-(--faint)" class:folded={isFolded(task)}>
          {@render how(task)}
          {#if onshow}
            <button
              class="no-print mr-2 cursor-pointer underline"
              aria-label="{shown === task.id ? 'Shown in the picture' : 'Show in the picture'}: {task.title}"
              aria-pressed={shown === task.id}
              onclick={() => onshow(task)}>{shown === task.id ? 'Shown' : 'Show'}</button
            >
          {/if}
          {#if task.state === 'waiting' && task.opens}
            <strong class="text-(--ink)">Not before {showMoment(task.opens)}</strong>
          {:else if isDue(task) && task.minutes}
            <span>About {showMinutes(task.minutes)}</span>
          {/if}
          {#if task.copies > 1 && isDue(task)}<span class="ml-2"
              >{task.copies_done} of {task.copies} {task.counted}</span
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
      {#if task.caution && !task.done_at}<p
          class="caution m-0 mt-1 text-sm"
          class:folded={following !== task.id && !isRead(task)}
        >
          <strong>Take care.</strong>
          {task.caution}
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
      <!-- Of the next step it is asked beside the main button. -->
      {#if open.early?.task === task.id && following !== task.id}<Reason {open} early={open.early} />{/if}
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
      {#if task.call && task.call.of !== 'touch-ups' && !isFolded(task) && (!task.done_at || past)}
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
{#if ahead.length}
  <button
    class="no-print cursor-pointer self-start text-sm underline"
    aria-expanded={rest}
    onclick={() => (rest = !rest)}
    >{rest
      ? 'Only the next steps'
      : ahead.length === 1
        ? '1 more step'
        : `${ahead.length} more steps`}</button
  >
{/if}

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
    .folded,
    .away {
      display: none;
    }
  }
  .caution {
    border-left: 4px solid var(--signal);
    padding-left: 0.6rem;
  }
</style>
