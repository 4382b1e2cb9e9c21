<script lang="ts">
  import type { SheetsJob } from './part';
  import type { Unit } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import { showLength } from '../../lib/units';

  interface Props {
    job: SheetsJob;
    unit: Unit;
  }
  const { job, unit }: Props = $props();
  const trims = $derived(job.sheets.trims);
</script>

<Fold title="What to cut off" open={trims.too_wide.length > 0}>
  <p class="m-0 text-sm">
    {trims.stock}, {showLength(trims.width, unit)} wide: <strong>{showLength(trims.length, unit)}</strong> in
    all, {Math.round(trims.waste * 100)} % of it used by no patch.
  </p>
  {#if trims.trims.length}
    <svg
      class="w-full"
      viewBox="-1 -1 {trims.width + 2} {Math.max(trims.length, 1) + 2}"
      style:max-height="16rem"
      role="img"
      aria-label="Pieces on the material"
    >
      <rect class="roll" width={trims.width} height={trims.length} />
      {#each trims.trims as trim (trim.sheet)}
        <rect class="piece" x={trim.x} y={trim.y} width={trim.across} height={trim.along} />
        <text x={trim.x + trim.across / 2} y={trim.y + trim.along / 2} font-size={trims.width / 12}
          >{trim.sheet}{trim.runs > 1 ? ` ×${trim.runs}` : ''}</text
        >
      {/each}
    </svg>
  {/if}
  <ul class="m-0 flex list-none flex-col gap-1 p-0 text-sm">
    {#each trims.trims as trim (trim.sheet)}
      <li>
        Sheet {trim.sheet}:
        <strong>{showLength(trim.across, unit)} by {showLength(trim.along, unit)}</strong>{trim.runs > 1
          ? `, ${trim.runs} times`
          : ''}{trim.beside ? `, from the offcut beside sheet ${trim.beside}` : ''}
      </li>
    {/each}
    {#each trims.offcuts as offcut, index (index)}
      <li class="text-(--faint)">
        Left beside sheet {offcut.beside}: {showLength(offcut.across, unit)} by {showLength(
          offcut.along,
          unit,
        )}{offcut.serves.length ? `, fits sheet ${offcut.serves.join(', ')}` : ', worth keeping'}
      </li>
    {/each}
  </ul>
  {#if trims.too_wide.length}
    <p class="m-0 font-bold text-(--fault)">
      Sheet {trims.too_wide.join(', ')} is larger than this material: choose another, or divide for it.
    </p>
  {/if}
  {#if job.sheets.contrast}<p class="m-0 text-(--signal-ink)">{job.sheets.contrast}</p>{/if}
</Fold>

<style>
  .roll {
    fill: var(--sheet);
    stroke: var(--faint);
    stroke-dasharray: 6 4;
    vector-effect: non-scaling-stroke;
  }
  .piece {
    fill: color-mix(in srgb, var(--grass) 25%, var(--sheet));
    stroke: var(--ink);
    vector-effect: non-scaling-stroke;
  }
  text {
    text-anchor: middle;
    dominant-baseline: central;
    fill: var(--ink);
    font-weight: 700;
  }
</style>
