<script lang="ts">
  import type { Job, Unit } from '../../lib/api/client';
  import { showLength, showMinutes } from '../../lib/units';

  interface Props {
    sheet: Job['sheets'][number];
    jobId: number;
    of: number;
    /** Longest side of any sheet, mm: all are drawn at one scale. */
    widest: number;
    unit: Unit;
  }
  const { sheet, jobId, of, widest, unit }: Props = $props();
  const SIDE = 84;
</script>

<li class="card flex gap-3 p-2">
  <svg
    class="shrink-0"
    width={SIDE}
    height={(SIDE * Math.max(sheet.height, widest / 4)) / widest}
    viewBox="0 0 {widest} {Math.max(sheet.height, widest / 4)}"
    aria-hidden="true"
  >
    <path d={sheet.path} fill="var(--mask)" fill-rule="evenodd" />
  </svg>
  <div class="min-w-0 flex-1 text-sm">
    <p class="m-0 text-base font-bold">
      Sheet {sheet.number} of {of}{sheet.mirrored ? ', mirrored' : ''}
    </p>
    <p class="m-0">
      {showLength(sheet.width, unit)} by {showLength(sheet.height, unit)}; cut material to {showLength(
        sheet.trim[0],
        unit,
      )}
      by {showLength(sheet.trim[1], unit)}
    </p>
    <p class="m-0 text-(--faint)">{showMinutes(sheet.seconds / 60)} under the knife</p>
    {#if sheet.faults.length}
      <p class="m-0 font-bold text-(--fault)">{sheet.faults[0]}</p>
    {:else}
      <p class="m-0 text-(--grass)">
        Cut in simulation: {sheet.mask_parts} part{sheet.mask_parts === 1 ? '' : 's'} of mask, {sheet.windows} closed
        window{sheet.windows === 1 ? '' : 's'}, as planned
      </p>
    {/if}
    <a class="font-bold underline" href="/api/jobs/{jobId}/sheets/{sheet.number}.svg" download>Download</a>
  </div>
</li>
