<script lang="ts">
  import type { MaterialFit, Reuse } from '../../lib/api/client';

  interface Props {
    reuse: Reuse;
    materials: MaterialFit[];
    /** Copies wanted. */
    copies: number;
    /** Key of the material in use. */
    used: string;
  }
  const { reuse, materials, copies, used }: Props = $props();

  const WIDE = 320;
  const HIGH = 150;
  const LEFT = 34;
  const FOOT = 22;
  const DASHES = ['', '6 3', '2 3', '9 3 2 3', '1 4', '12 3'];
  const name = (key: string) => materials.find((one) => one.key === key)?.name ?? key;
  // Those a maker would choose between: the cheapest at some count, and the one in use.
  const lines = $derived.by(() => {
    const first = [...reuse.lines].sort((a, b) => (a.costs[0] ?? 0) - (b.costs[0] ?? 0))[0]?.key;
    const kept = new Set([first, used, ...reuse.break_even.map((one) => one.material)]);
    return reuse.lines.filter((line) => kept.has(line.key));
  });
  const most = $derived(Math.max(...lines.flatMap((line) => line.costs), 0.01));
  const last = $derived(reuse.copies.length);
  const x = (count: number) => LEFT + ((count - 1) / Math.max(last - 1, 1)) * (WIDE - LEFT - 6);
  const y = (cost: number) => HIGH - FOOT - (cost / most) * (HIGH - FOOT - 8);
  const way = (costs: number[]) =>
    costs
      .map((cost, index) => `${index ? 'L' : 'M'}${x(index + 1).toFixed(1)} ${y(cost).toFixed(1)}`)
      .join('');
  const told = $derived(
    reuse.break_even.length
      ? reuse.break_even.map((one) => `from ${one.copies} copies on ${name(one.material)}`).join(', ')
      : 'the same at any number of copies',
  );
</script>

{#if lines.length}
  <figure class="m-0">
    <svg
      viewBox="0 0 {WIDE} {HIGH}"
      class="w-full"
      role="img"
      aria-label="Cost of a copy by number of copies; cheapest {told}"
    >
      <path class="axis" d="M{LEFT} 4V{HIGH - FOOT}H{WIDE - 4}" />
      {#each [0, most / 2, most] as cost (cost)}
        <text x={LEFT - 4} y={y(cost) + 4} text-anchor="end">{cost.toFixed(1)}</text>
      {/each}
      {#each [1, Math.round(last / 2), last] as count (count)}
        <text x={x(count)} y={HIGH - 6} text-anchor="middle">{count}</text>
      {/each}
      {#if copies <= last}
        <path class="wanted" d="M{x(copies)} 4V{HIGH - FOOT}" />
      {/if}
      {#each lines as line, index (line.key)}
        <path
          class="line"
          class:used={line.key === used}
          stroke-dasharray={DASHES[index % DASHES.length]}
          d={way(line.costs)}
        />
      {/each}
      {#each reuse.break_even as one (one.copies)}
        {@const line = lines.find((other) => other.key === one.material)}
        <circle class="break" cx={x(one.copies)} cy={y(line?.costs[one.copies - 1] ?? 0)} r="5" />
      {/each}
    </svg>
    <figcaption class="text-sm">
      <ul class="m-0 list-none p-0">
        {#each lines as line, index (line.key)}
          <li class="flex items-center gap-2">
            <svg width="34" height="8" aria-hidden="true"
              ><path
                class="line"
                class:used={line.key === used}
                stroke-dasharray={DASHES[index % DASHES.length]}
                d="M0 4H34"
              /></svg
            >{name(line.key)}
          </li>
        {/each}
      </ul>
      <p class="m-0 mt-1">Cheapest {told}.</p>
    </figcaption>
  </figure>
{/if}

<style>
  .axis {
    fill: none;
    stroke: var(--faint);
  }
  .line {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
  }
  .used {
    stroke: var(--grass);
    stroke-width: 3.5;
  }
  .wanted {
    stroke: var(--signal);
    stroke-width: 2;
    stroke-dasharray: 3 3;
  }
  .break {
    fill: var(--sheet);
    stroke: var(--signal);
    stroke-width: 3;
  }
  text {
    fill: var(--faint);
    font-size: 12px;
  }
</style>
