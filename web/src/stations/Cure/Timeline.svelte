<script lang="ts">
  import type { CureRoom } from '../../lib/api/client';
  import { showMoment } from '../../lib/units';
  import { axis } from './axis';

  interface Props {
    room: CureRoom;
  }
  const { room }: Props = $props();

  const WIDE = 320;
  const ROW = 12;
  const HEAD = 16;
  const ms = (iso: string) => Date.parse(iso);
  const now = $derived(ms(room.now));
  const first = $derived(Math.min(...room.events.map((event) => ms(event.begins)), now));
  const last = $derived(Math.max(...room.events.map((event) => ms(event.ends)), now));
  const scale = $derived(axis(first, last));
  const x = (moment: number) => 4 + scale.at(moment) * (WIDE - 8);
  const high = $derived(HEAD + ROW * room.events.length + 6);
</script>

<figure class="m-0">
  <svg
    viewBox="0 0 {WIDE} {high}"
    class="w-full max-w-md"
    role="img"
    aria-label="All times of this copy on one axis, told one by one below"
  >
    {#each scale.ticks as tick (tick.name)}
      <line class="tick" x1={4 + tick.at * (WIDE - 8)} x2={4 + tick.at * (WIDE - 8)} y1={HEAD} y2={high} />
      <text
        x={4 + tick.at * (WIDE - 8)}
        y="10"
        text-anchor={tick.at === 0 ? 'start' : tick.at > 0.95 ? 'end' : 'middle'}>{tick.name}</text
      >
    {/each}
    {#each room.events as event, row (event.task)}
      {@const from = x(ms(event.begins))}
      {@const wide = Math.max(x(ms(event.ends)) - from, 0)}
      <g transform="translate({from} {HEAD + row * ROW + ROW / 2})">
        {#if wide > 5}
          <rect class:done={event.done} y="-4" width={wide} height="8" />
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
  {#each room.events as event (event.task)}
    <li class="flex gap-2" class:done={event.done}>
      <span class="w-32 shrink-0 tabular-nums">{event.done ? '✓ ' : ''}{showMoment(event.begins)}</span>
      <span
        >{event.title}{#if event.waits}<span class="text-(--faint)">: {event.waits}</span>{/if}</span
      >
    </li>
  {/each}
</ol>

<style>
  text {
    font-size: 9px;
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
