<script lang="ts">
  import type { Measure, Period } from '../lib/api/client';

  interface Props {
    months: Period[];
    measure: Measure;
    show: (of: Period) => string;
  }
  const { months, measure, show }: Props = $props();

  const [WIDE, HIGH, FOOT, HEAD] = [960, 190, 22, 20];
  const most = $derived(Math.max(...months.map((one) => one[measure]), 1e-9));
  const step = $derived(WIDE / months.length);
  const up = (one: Period) => (one[measure] / most) * (HIGH - FOOT - HEAD);
</script>

<!-- The same stands in the table below, for those who hear the page. -->
<svg viewBox="0 0 {WIDE} {HIGH}" class="block w-full" aria-hidden="true">
  <line x1="0" x2={WIDE} y1={HIGH - FOOT} y2={HIGH - FOOT} />
  {#each months as one, k (one.name)}
    <rect x={k * step + step * 0.2} y={HIGH - FOOT - up(one)} width={step * 0.6} height={up(one)} />
    {#if one[measure]}
      <text x={(k + 0.5) * step} y={HIGH - FOOT - up(one) - 5} text-anchor="middle">{show(one)}</text>
    {/if}
    <text x={(k + 0.5) * step} y={HIGH - 5} text-anchor="middle">{one.name.slice(0, 3)}</text>
  {/each}
</svg>

<style>
  rect {
    fill: var(--grass);
  }
  line {
    stroke: var(--ink);
  }
  text {
    font-size: 13px;
    fill: var(--ink);
  }
</style>
