<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import type { Piece, Step } from '../lib/api/client';
  import { showMinutes, showMoment } from '../lib/units';
  import type { OpenJob } from './open-job.svelte';
  import RollCall from './RollCall.svelte';

  interface Props {
    open: OpenJob;
    steps: Step[];
    pieces: Piece[];
  }
  const { open, steps, pieces }: Props = $props();
</script>

<ol class="m-0 flex list-none flex-col gap-2 p-0">
  {#each steps as step (step.code)}
    <li class="card p-3" class:next={open.job?.next_step?.code === step.code}>
      <Checkbox
        checked={!!step.done_at}
        onclick={(event: MouseEvent) => {
          // The tick shows what was kept, not what was clicked.
          event.preventDefault();
          void open.tick(step.code, !step.done_at);
        }}
        class="items-start text-base text-(--ink)"
      >
        <strong>{step.title}</strong>
      </Checkbox>
      <p class="m-0 mt-1 pl-6 text-sm">{step.detail}</p>
      {#if step.done_at}
        <p class="m-0 pl-6 text-sm text-(--grass)">Done {showMoment(step.done_at)}</p>
      {:else if step.minutes}
        <p class="m-0 pl-6 text-sm text-(--faint)">About {showMinutes(step.minutes)}</p>
      {/if}
      {#if step.caution}<p class="caution m-0 mt-2 text-sm">
          <strong>Take care.</strong>
          {step.caution}
        </p>{/if}
      {#if step.call}
        <RollCall
          call={step.call}
          keepers={pieces.filter((piece) => step.numbers.includes(piece.number))}
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
  .caution {
    border-left: 4px solid var(--signal);
    padding-left: 0.6rem;
  }
</style>
