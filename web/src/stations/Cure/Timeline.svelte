<script lang="ts">
  import type { CureRoom } from '../../lib/api/client';
  import { showDay, showHour } from '../../lib/units';
  import { axis } from './axis';

  interface Props {
    room: CureRoom;
  }
  const { room }: Props = $props();

  /** Drawn as wide as it stands, so that its words keep their size. */
  let wide = $state(320);
  /** Words on the axis nearer than this run into each other. */
  const APART = 46;
  const ROW = 12;
  const HEAD = 18;
  const ms = (iso: string) => Date.parse(iso);
  const now = $derived(ms(room.now));
  const first = $derived(Math.min(...room.events.map((event) => ms(event.begins)), now));
  const last = $derived(Math.max(...room.events.map((event) => ms(event.ends)), now));
  const scale = $derived(axis(first, last));
  const x = (moment: number) => 4 + scale.at(moment) * (wide - 8);
  const ticks = $derived.by(() => {
    let before = -Infinity;
    return scale.ticks.map((tick) => {
      const named = tick.at * (wide - 8) - before >= APART;
      if (named) before = tick.at * (wide - 8);
      return { ...tick, named };
    });
  });
  const days = $derived.by(() => {
    const found: { day: string; events: CureRoom['events'] }[] = [];
    for (const event of room.events) {
      const day = showDay(event.begins);
      if (found.at(-1)?.day !== day) found.push({ day, events: [] });
      found.at(-1)?.events.push(event);
    }
    return found;
  });
  const high = $derived(HEAD + ROW * room.events.length + 6);
</script>

<figure class="m-0" bind:clientWidth={wide}>
  <svg
    width={wide}
    height={high}
    class="block"
    role="img"
    aria-label="All times of this copy on one axis, told one by one below"
  >
    {#each ticks as tick (tick.name)}
      <line class="tick" x1={4 + tick.at * (wide - 8)} x2={4 + tick.at * (wide - 8)} y1={HEAD} y2={high} />
      {#if tick.named}<text
          x={4 + tick.at * (wide - 8)}
          y="12"
          text-anchor={tick.at === 0 ? 'start' : tick.at > 0.95 ? 'end' : 'middle'}>{tick.name}</text
        >{/if}
    {/each}
    {#each room.events as event, row (event.task)}
      {@const from = x(ms(event.begins))}
      {@const long = Math.max(x(ms(event.ends)) - from, 0)}
      <g transform="translate({from} {HEAD + row * ROW + ROW / 2})">
        {#if long > 5}
          <rect class:done={event.done} y="-4" width={long} height="8" />
        {:else}
          <path class:done={event.done} d="M0-5L5 0 0 5-5 0z" />
        {/if}
      </g>
    {/each}
    <line class="now" x1={x(now)} x2={x(now)} y1={HEAD - 2} y2={high} />
  </svg>
  <figcaption class="text-sm text-(--faint)">
    Filled: done. Outlined: to come. The strong line is now; the axis grows narrower to the right.
  </figcaption>
</figure>
<ol class="m-0 flex list-none flex-col gap-1 p-0 text-sm">
  {#each days as { day, events } (day)}
    <li>
      <strong>{day}</strong>
      <ol class="m-0 flex list-none flex-col gap-0.5 p-0">
        {#each events as event (event.task)}
          <li class="grid grid-cols-[4.6rem_1fr] gap-1" class:done={event.done}>
            <span class="tabular-nums">{event.done ? '✓ ' : ''}{showHour(event.begins)}</span>
            <span
              >{event.title}{#if event.waits}<span class="text-(--faint)">: {event.waits}</span>{/if}</span
            >
          </li>
        {/each}
      </ol>
    </li>
  {/each}
</ol>

<style>
  text {
    font-size: 12px;
    fill: var(--faint);
  }
  .tick {
    stroke: var(--line);
    stroke-width: 1;
  }
  rect,
  path {
    fill: var(--sheet);
    stroke: var(--grass);
    stroke-width: 1.6;
  }
  rect.done,
  path.done {
    fill: var(--grass);
  }
  .now {
    stroke: var(--signal);
    stroke-width: 2.5;
  }
  li.done {
    color: var(--faint);
  }
</style>
