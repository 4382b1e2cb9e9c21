<script lang="ts">
  import type { Clock } from '../lib/api/client';
  import { reading } from '../lib/clocks.svelte';
  import { showMinutes } from '../lib/units';

  interface Props {
    clocks: Clock[];
    copies: number;
    /** A coat was found dry to the touch. */
    ondried: (coat: string) => void;
  }
  const { clocks, copies, ondried }: Props = $props();

  let now = $state(Date.now());
  $effect(() => {
    const clock = setInterval(() => (now = Date.now()), 1000);
    return () => clearInterval(clock);
  });
</script>

{#each clocks as clock (clock.task)}
  {@const told = reading(clock, now)}
  <div class="card p-3 text-center" role="timer" aria-live="off">
    <p class="m-0 text-sm">
      <strong>{clock.title}</strong>{clock.copy_no && copies > 1 ? `, copy ${clock.copy_no}` : ''}
    </p>
    {#if told.kind === 'first'}
      <p class="stamp m-0 text-2xl">{clock.first}</p>
    {:else if told.kind === 'unfit'}
      <p class="stamp m-0 text-3xl text-(--signal-ink)">{showMinutes(told.minutes)}</p>
      <p class="m-0 text-sm font-bold">{clock.unfit}</p>
    {:else if told.kind === 'opens'}
      <p class="stamp m-0 text-3xl">{showMinutes(told.minutes)}</p>
      <p class="m-0 text-sm">to wait</p>
    {:else if told.kind === 'free'}
      <p class="stamp m-0 text-2xl">Any time now</p>
    {:else if told.kind === 'closes'}
      <p class="stamp m-0 text-3xl text-(--signal-ink)">{showMinutes(told.minutes)}</p>
      <p class="m-0 text-sm font-bold">left to do it</p>
    {:else}
      <p class="stamp m-0 text-2xl text-(--fault)">Too late</p>
      <p class="m-0 text-sm">{showMinutes(told.minutes)} ago. {clock.late}</p>
    {/if}
    {#if clock.drying}
      {@const coat = clock.drying}
      <button class="cursor-pointer text-sm underline" onclick={() => ondried(coat)}
        >Dry to the touch: learn from it</button
      >
    {/if}
  </div>
{/each}
