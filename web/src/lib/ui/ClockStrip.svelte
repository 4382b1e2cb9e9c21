<script lang="ts">
  import Bell from '@lucide/svelte/icons/bell';
  import BellOff from '@lucide/svelte/icons/bell-off';
  import { clocks, reading } from '../clocks.svelte';
  import { showMinutes } from '../units';

  const SHOWN = 2;
  /** What is further off is told at the job itself, minutes. */
  const NEAR = 6 * 60;
  $effect(() => clocks.watch());
  const running = $derived(
    clocks.all
      .map((clock) => ({ clock, now: reading(clock, clocks.now) }))
      .filter(({ now }) => now.kind !== 'free' && (now.kind !== 'opens' || now.minutes <= NEAR)),
  );
  const soonest = $derived(running.slice(0, SHOWN));
  const more = $derived(running.length - soonest.length);
  type Told = { clock: (typeof soonest)[number]['clock']; now: ReturnType<typeof reading> };
  /** What stands before a job's name. */
  const headline = ({ clock, now }: Told) =>
    ({
      first: clock.first,
      unfit: clock.unfit,
      opens: `In ${showMinutes(now.minutes)}`,
      closes: `${showMinutes(now.minutes)} left`,
      late: `${showMinutes(now.minutes)} late`,
      free: '',
    })[now.kind];
  /** What the alarm says. */
  const warning = ({ clock, now }: Told) =>
    ({
      first: clock.first,
      unfit: clock.unfit,
      opens: `may be done in ${showMinutes(now.minutes)}`,
      closes: `${showMinutes(now.minutes)} left`,
      late: clock.late || 'It is late.',
      free: 'may be done now',
    })[now.kind];
</script>

{#if soonest.length}
  <section
    class="no-print strip flex flex-wrap items-center gap-2 px-4 py-1 text-sm"
    aria-label="Running timers"
  >
    {#each soonest as { clock, now } (`${clock.job} ${clock.task}`)}
      <a class="clock {now.kind} rounded-2xl px-3 py-0.5" href="#/job/{clock.job}/{clock.station}">
        <strong>{headline({ clock, now })}</strong>: {clock.title}, {clock.job_name}{clock.copy_no &&
        clock.copy_no > 1
          ? `, copy ${clock.copy_no}`
          : ''}
      </a>
    {/each}
    {#if more > 0}<span class="text-(--faint)">and {more} more</span>{/if}
    <button
      class="ml-auto p-1"
      aria-pressed={clocks.muted}
      aria-label={clocks.muted ? 'Alarm is silent' : 'Alarm sounds'}
      onclick={() => (clocks.muted = !clocks.muted)}
      >{#if clocks.muted}<BellOff size={16} />{:else}<Bell size={16} />{/if}</button
    >
  </section>
{/if}
{#if clocks.alarm}
  {@const now = reading(clocks.alarm, clocks.now)}
  <div class="no-print alarm flex flex-wrap items-center gap-3 px-4 py-2" role="alert">
    <strong>{clocks.alarm.job_name}: {clocks.alarm.title}</strong>
    <span>{warning({ clock: clocks.alarm, now })}</span>
    <button class="ml-auto cursor-pointer font-bold underline" onclick={() => clocks.quiet()}
      >Turn off the alarm</button
    >
  </div>
{/if}
{#if clocks.come}
  <div class="no-print alarm flex flex-wrap items-center gap-3 px-4 py-2" role="alert">
    <strong>{clocks.come.title}</strong>
    <button class="ml-auto cursor-pointer font-bold underline" onclick={() => clocks.quiet()}
      >Turn off the alarm</button
    >
  </div>
{/if}

<style>
  .strip {
    border-bottom: 1px solid var(--line);
    background: var(--sheet);
  }
  .clock {
    border: 1px dashed var(--faint);
    color: var(--ink);
    text-decoration: none;
  }
  .clock.closes,
  .clock.unfit,
  .clock.late {
    border: 2px solid var(--signal);
  }
  .alarm {
    background: var(--signal);
    color: #1b2429;
    animation: flash 1s steps(2) 6;
  }
  @keyframes flash {
    50% {
      background: #fbf8ef;
    }
  }
  @media (prefers-reduced-motion: reduce) {
    .alarm {
      animation: none;
    }
  }
</style>
