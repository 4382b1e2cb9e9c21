<script lang="ts">
  import type { Costs } from '../lib/api/client';

  interface Props {
    costs: Costs;
  }
  const { costs }: Props = $props();

  const [WIDE, HIGH, FOOT] = [360, 130, 34];
  const most = $derived(Math.max(...costs.numbers.map((one) => one.by_margin), 0.01));
  const step = $derived(WIDE / costs.numbers.length);
  const up = (sum: number) => (sum / most) * (HIGH - FOOT - 18);
</script>

<article class="card p-4" aria-label="How the price falls with the number">
  <h2 class="m-0 text-lg font-bold">How the price falls with the number</h2>
  <svg viewBox="0 0 {WIDE} {HIGH}" class="block w-full" aria-hidden="true">
    {#each costs.numbers as one, k (one.copies)}
      {@const x = k * step + step * 0.18}
      <rect
        class="price"
        {x}
        y={HIGH - FOOT - up(one.by_margin)}
        width={step * 0.64}
        height={up(one.by_margin)}
      />
      <rect class="cost" {x} y={HIGH - FOOT - up(one.a_copy)} width={step * 0.64} height={up(one.a_copy)} />
      <text x={x + step * 0.32} y={HIGH - FOOT - up(one.by_margin) - 5} text-anchor="middle"
        >{one.by_margin.toFixed(2)}</text
      >
      <text x={x + step * 0.32} y={HIGH - 18} text-anchor="middle" class:own={one.copies === costs.copies}
        >{one.copies}</text
      >
    {/each}
    <text x={WIDE / 2} y={HIGH - 3} text-anchor="middle">made at once</text>
  </svg>
  <table class="w-full text-sm">
    <thead>
      <tr class="text-left"
        ><th scope="col">Made at once</th><th scope="col">One costs</th><th scope="col">Price</th></tr
      >
    </thead>
    <tbody>
      {#each costs.numbers as one (one.copies)}
        <tr class="border-t border-(--line)" class:font-bold={one.copies === costs.copies}>
          <td>{one.copies}{one.copies === costs.copies ? ', this job' : ''}</td>
          <td>{one.a_copy.toFixed(2)}</td>
          <td>{one.by_margin.toFixed(2)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</article>

<style>
  .price {
    fill: var(--ground);
    stroke: var(--line);
  }
  .cost {
    fill: var(--grass);
  }
  text {
    font-size: 12px;
    fill: var(--ink);
  }
  .own {
    font-weight: 700;
    text-decoration: underline;
  }
</style>
