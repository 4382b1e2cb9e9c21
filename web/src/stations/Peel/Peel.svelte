<script lang="ts">
  import { showMinutes } from '../../lib/units';
  import type { PanelProps } from '..';

  const { job }: PanelProps = $props();

  let now = $state(Date.now());
  $effect(() => {
    const clock = setInterval(() => (now = Date.now()), 1000);
    return () => clearInterval(clock);
  });

  const minutesTo = (iso: string) => (new Date(iso).getTime() - now) / 60_000;
  const peeled = $derived(
    job.stations
      .find((station) => station.code === 'peel')
      ?.steps.some((step) => step.code === 'peel-sheet' && step.done_at),
  );
</script>

{#if job.peel_opens && job.peel_closes && !peeled}
  {@const opens = minutesTo(job.peel_opens)}
  {@const closes = minutesTo(job.peel_closes)}
  <div class="card p-4 text-center" role="timer" aria-live="off">
    {#if opens > 0}
      <p class="stamp m-0 text-4xl">{showMinutes(opens)}</p>
      <p class="m-0">until the window opens</p>
    {:else if closes > 0}
      <p class="stamp m-0 text-4xl text-(--signal-ink)">{showMinutes(closes)}</p>
      <p class="m-0 font-bold">Peel now; the window closes then</p>
    {:else}
      <p class="stamp m-0 text-3xl text-(--fault)">Window passed</p>
      <p class="m-0">{showMinutes(-closes)} ago. Peel now, and warm it if it drags.</p>
    {/if}
  </div>
{/if}
