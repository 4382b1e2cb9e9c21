<script lang="ts">
  import type { Unit } from '../api/client';
  import { marks } from './ruler';

  interface Props {
    /** mm from the blank's corner to its far edge. */
    length: number;
    /** px a mm. */
    scale: number;
    unit: Unit;
    upright?: boolean;
  }
  const { length, scale, unit, upright = false }: Props = $props();
  const reach = { 1: 12, 2: 8, 3: 5 };
</script>

<g class="rule" aria-hidden="true">
  {#each marks(length, unit, scale) as mark (mark.at)}
    {@const at = mark.at * scale}
    {#if upright}
      <line x1="0" x2={-reach[mark.rank]} y1={at} y2={at} />
      {#if mark.figure}<text x="-14" y={at + 3.5} text-anchor="end">{mark.figure}</text>{/if}
    {:else}
      <line y1="0" y2={-reach[mark.rank]} x1={at} x2={at} />
      {#if mark.figure}<text y="-15" x={at} text-anchor="middle">{mark.figure}</text>{/if}
    {/if}
  {/each}
</g>

<style>
  line {
    stroke: var(--faint);
    stroke-width: 1;
  }
  text {
    fill: var(--faint);
    font-size: 12px;
  }
</style>
