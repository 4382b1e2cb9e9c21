<script lang="ts">
  import type { Sheets, Unit } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import { showLength } from '../../lib/units';

  interface Props {
    sheets: Sheets;
    unit: Unit;
  }
  const { sheets, unit }: Props = $props();
  const NAMES = ['left', 'top', 'right', 'bottom'] as const;
</script>

{#if sheets.seams.length}
  <Fold title="Seams and how to set them">
    <ul class="m-0 flex list-none flex-col gap-1 p-0 text-sm">
      {#each sheets.seams as seam (seam.name)}
        <li>
          <strong>Seam {seam.name}</strong>: patch {seam.patches[0]} to patch {seam.patches[1]}, {seam.overlap
            ? `overlapping ${showLength(seam.overlap, unit)}`
            : 'butted and taped'}.
          {#if seam.checks.length}
            Measure {#each seam.checks as check, index (check.name)}{index ? ' and ' : ''}from {check.name} to {check.name}
              <strong>{showLength(check.distance, unit)}</strong>{/each}.
          {:else}
            No firm mask for marks here: measure from its edges.
          {/if}
        </li>
      {/each}
    </ul>
    <table class="w-full text-sm">
      <caption class="text-left">From the blank's edges to each patch</caption>
      <thead>
        <tr class="text-left"
          ><th>Patch</th>{#each NAMES as name (name)}<th>{name}</th>{/each}</tr
        >
      </thead>
      <tbody>
        {#each sheets.assembly as patch (patch.number)}
          <tr>
            <th class="text-left">{patch.number}</th>
            {#each patch.from_edges as distance, index (index)}<td>{showLength(distance, unit)}</td>{/each}
          </tr>
        {/each}
      </tbody>
    </table>
    {#if sheets.sheets[0]?.mirrored}
      <p class="m-0 text-sm text-(--faint)">
        The marks are on the back of a mirrored sheet: prick them through with a pin before you lay it.
      </p>
    {/if}
  </Fold>
{/if}
