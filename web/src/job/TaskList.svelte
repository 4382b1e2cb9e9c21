<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import type { Piece, Task } from '../lib/api/client';
  import { showMinutes, showMoment } from '../lib/units';
  import type { OpenJob } from './open-job.svelte';
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
  const isFolded = (task: Task) => task.state === 'open' && shown !== task.id && !unfolded.has(task.id);
</script>

<ol class="m-0 flex list-none flex-col gap-2 p-0">
  {#each tasks as task (task.id)}
    <li class="card p-3" class:next={following === task.id} class:done={task.done_at && !task.changed.length}>
      <Checkbox
        checked={!!task.done_at}
        onclick={(event: MouseEvent) => {
          // The tick shows what was kept, not what was clicked.
          event.preventDefault();
          void open.done(task.id, !task.done_at);
        }}
        class="items-start text-base text-(--ink)"
      >
        <strong>{task.title}</strong>
      </Checkbox>
      {#if !task.done_at}
        <!-- On paper all is told. -->
        <p class="m-0 mt-1 pl-6 text-sm" class:folded={isFolded(task)}>{task.detail}</p>
        {#if isFolded(task)}
          <button
            class="ml-6 cursor-pointer text-sm underline"
            aria-label="How: {task.title}"
            onclick={() => unfolded.add(task.id)}>How</button
          >
        {/if}
      {/if}
      {#if onshow && !task.done_at}
        <button
          class="ml-6 cursor-pointer text-sm underline"
          aria-pressed={shown === task.id}
          onclick={() => onshow(task)}
          >{shown === task.id ? 'Shown in the picture' : 'Show in the picture'}</button
        >
      {/if}
      {#if task.done_at}
        <p class="m-0 pl-6 text-sm text-(--grass)">
          Done {showMoment(task.done_at)}{task.reason ? `: ${task.reason}` : ''}
        </p>
        {#if task.changed.length}
          <p class="m-0 pl-6 text-sm font-bold text-(--signal-ink)">
            Done on an earlier version: since then the {task.changed.join(', the ')} changed.
          </p>
        {/if}
      {:else if task.state === 'waiting' && task.opens}
        <p class="m-0 pl-6 text-sm font-bold">Not before {showMoment(task.opens)}</p>
      {:else if task.minutes}
        <p class="m-0 pl-6 text-sm text-(--faint)">
          About {showMinutes(task.minutes)}{task.needs.length ? `; ${task.needs.join(', ')}` : ''}
        </p>
      {/if}
      {#if task.read}
        <p class="m-0 pl-6 text-sm">
          <strong>{task.read.within ? '✓ ' : ''}Measured {showMoment(task.read.at)}</strong>{task.read.what
            ? `, ${task.read.what}`
            : ''}: {task.read.told}
        </p>
      {/if}
      {#if task.copies > 1}
        <p class="m-0 pl-6 text-sm text-(--faint)">On {task.copies_done} of {task.copies} {task.counted}</p>
      {/if}
      {#if task.caution && !task.done_at}<p class="caution m-0 mt-2 text-sm">
          <strong>Take care.</strong>
          {task.caution}
        </p>{/if}
      {#if task.strokes && !task.done_at}
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
      {#if task.heat}
        <div class="mt-2 pl-6"><HeatUsed {task} heat={task.heat} {open} /></div>
      {/if}
      {#if task.marking}<Marking {task} marking={task.marking} {open} />{/if}
      {#if task.call && task.call.of !== 'touch-ups'}
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
