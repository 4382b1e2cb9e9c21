<script lang="ts">
  import type { Station } from '../lib/api/client';
  import StateMark from '../lib/ui/StateMark.svelte';

  interface Props {
    jobId: number;
    stations: Station[];
    current: string;
  }
  const { jobId, stations, current }: Props = $props();

  let list = $state<HTMLElement>();
  // On a narrow screen the strip scrolls: where one is must be in sight.
  $effect(() => {
    list?.querySelector(`[data-code="${current}"]`)?.scrollIntoView?.({ block: 'nearest', inline: 'center' });
  });
</script>

<nav class="no-print" aria-label="Stations">
  <ol bind:this={list} class="m-0 flex list-none gap-1 overflow-x-auto p-2 lg:flex-col lg:overflow-visible">
    {#each stations as station, index (station.code)}
      <li class="shrink-0">
        <a
          href="#/job/{jobId}/{station.code}"
          class="plank flex items-start gap-2 rounded-sm px-2.5 py-1.5"
          data-code={station.code}
          aria-current={station.code === current ? 'step' : undefined}
        >
          <span class="stamp w-5 text-right text-(--faint)" aria-hidden="true">{(index + 1) % 10}</span>
          <span class="min-w-0 flex-1">
            <span class="stamp block leading-5">{station.name}</span>
            <span class="hidden text-xs leading-4 text-(--faint) lg:block">{station.brief}</span>
          </span>
          <StateMark
            state={station.state}
            share={station.tasks_all ? station.tasks_done / station.tasks_all : null}
          />
        </a>
      </li>
    {/each}
  </ol>
</nav>

<style>
  .plank[aria-current] {
    background: var(--paper);
    box-shadow: inset 5px 0 0 var(--ink);
  }
  .plank:hover {
    background: var(--paper);
  }
</style>
