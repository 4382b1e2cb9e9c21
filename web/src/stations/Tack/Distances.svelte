<script lang="ts">
  import type { Mask } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';

  interface Props {
    mask: Mask;
    /** Whether they are wanted now: the mask is being laid. */
    wanted: boolean;
  }
  const { mask, wanted }: Props = $props();

  const SIDES = ['left', 'right', 'top', 'bottom'] as const;
  const EDGES = ['Left', 'Right', 'Top', 'Bottom'];
  /** Where each set of distances is measured from, and its four columns. */
  const FROM: Record<Mask['datum'], [string, string[]]> = {
    edges: ["From the blank's edges", EDGES],
    rim: ['From the inside of the rim', EDGES],
    seams: ['From side seams, shoulder and hem', EDGES],
    middle: ['From the middle of the blank', ['To its left', 'To its right', 'Up', 'Down']],
    collar: [
      'From collar seam and centre line',
      ['To its left', 'To its right', 'Below collar', 'Above hem'],
    ],
  };
  const groups = $derived(
    [...new Set(mask.distances.map((one) => one.datum))].map((datum) => ({
      datum,
      lines: mask.distances.filter((one) => one.datum === datum),
    })),
  );
  /** The two that place it, in words. */
  const brief = $derived.by(() => {
    const line = groups[0]?.lines[0];
    const heads = groups[0] && FROM[groups[0].datum][1];
    return line && heads
      ? `${line.to} ${line.reads.left} ${heads[0]?.toLowerCase()}, ${line.reads.top} ${heads[2]?.toLowerCase()}`
      : '';
  });
</script>

<Fold title="Where it goes" value={brief} open={wanted} printed>
  <ul class="m-0 mb-3 pl-5 text-sm">
    {#each mask.marks as mark (mark)}<li>{mark}</li>{/each}
  </ul>
  {#each groups as { datum, lines } (datum)}
    <table class="mb-3 w-full text-sm">
      <caption class="text-left font-bold">{FROM[datum][0]}</caption>
      <thead>
        <tr>
          <th scope="col" class="text-left">To the</th>
          {#each FROM[datum][1] as head (head)}<th scope="col" class="text-right">{head}</th>{/each}
        </tr>
      </thead>
      <tbody>
        {#each lines as line (line.to)}
          <tr>
            <th scope="row" class="text-left font-normal">{line.to}</th>
            {#each SIDES as side (side)}
              <td class="text-right tabular-nums">{line.reads[side]}</td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  {/each}
</Fold>

<style>
  tbody tr {
    border-top: 1px solid var(--line);
  }
</style>
