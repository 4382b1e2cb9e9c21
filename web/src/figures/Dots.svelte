<script lang="ts">
  import type { Learnt } from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import { showFigure } from '../lib/units';

  interface Props {
    figure: Learnt;
  }
  const { figure }: Props = $props();

  const [WIDE, HIGH, PAD] = [640, 52, 12];
  // What lies far outside is drawn at the edge: the line is for what may be reckoned with.
  const low = $derived(figure.low * 0.8);
  const high = $derived(figure.high * 1.2);
  function at(value: number): number {
    const share = (Math.min(Math.max(value, low), high) - low) / (high - low || 1);
    return PAD + share * (WIDE - 2 * PAD);
  }
</script>

<svg
  class="my-2 block w-full max-w-2xl"
  viewBox="0 0 {WIDE} {HIGH}"
  role="img"
  aria-label="Reckoned with {showFigure(figure.value, figure.unit, settings.unit)}, kept between {showFigure(
    figure.low,
    figure.unit,
    settings.unit,
  )} and {showFigure(figure.high, figure.unit, settings.unit)}"
>
  <rect class="range" x={at(figure.low)} y="16" width={at(figure.high) - at(figure.low)} height="12" rx="2" />
  <line class="table" x1={at(figure.table)} x2={at(figure.table)} y1="10" y2="34" />
  {#each figure.values as value (`${value.job} ${value.by}`)}
    {#if value.left_out}
      <path class="out" d="M{at(value.value) - 4} 18l8 8m0 -8l-8 8" />
    {:else}
      <circle class="own" cx={at(value.value)} cy="22" r="5" />
    {/if}
  {/each}
  <path class="value" d="M{at(figure.value)} 12l-6 -9h12z" />
  <text x={at(figure.low)} y="46">{showFigure(figure.low, figure.unit, settings.unit)}</text>
  <text x={at(figure.table)} y="46" text-anchor="middle">table</text>
  <text x={at(figure.high)} y="46" text-anchor="end"
    >{showFigure(figure.high, figure.unit, settings.unit)}</text
  >
</svg>

<style>
  .range {
    fill: var(--ground);
    stroke: var(--line);
  }
  .table {
    stroke: var(--ink);
    stroke-width: 2;
    stroke-dasharray: 3 2;
  }
  .own {
    fill: var(--grass);
    fill-opacity: 0.7;
    stroke: var(--sheet);
  }
  .out {
    fill: none;
    stroke: var(--faint);
    stroke-width: 1.5;
  }
  .value {
    fill: var(--signal);
  }
  text {
    font-size: 12px;
    fill: var(--faint);
  }
</style>
