<script lang="ts">
  import type { Sheets } from '../api/client';
  import { showTape } from '../units';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
    seams: Sheets['seams'];
  }
  const { ground, seams }: Props = $props();

  const px = $derived(ground.px);
  const patches = $derived(ground.mask?.patches ?? []);
</script>

<g transform={ground.carry}>
  {#each patches as { number, box } (number)}
    <rect class="patch" x={box[0]} y={box[1]} width={box[2] - box[0]} height={box[3] - box[1]} />
  {/each}
</g>
{#each patches as patch (patch.number)}
  <!-- In the middle: marks to measure between stand near the ends of seams. -->
  <text class="label big" x={px((patch.box[0] + patch.box[2]) / 2)} y={px(patch.box[1]) + 22}
    >{patch.number} (sheet {patch.sheet})</text
  >
{/each}
{#each seams.filter((seam) => seam.mask === ground.mask?.number) as seam (seam.name)}
  <g class="seam">
    <path d="M{px(seam.start[0])} {px(seam.start[1])}L{px(seam.end[0])} {px(seam.end[1])}" />
    {#each seam.checks as check (check.name)}
      <path
        class="check"
        d="M{px(check.first[0])} {px(check.first[1])}L{px(check.second[0])} {px(check.second[1])}"
      />
      {#each [check.first, check.second] as at, index (index)}
        <path class="cross" d="M{px(at[0]) - 5} {px(at[1])}h10m-5-5v10" />
      {/each}
      <text class="label" x={px(check.second[0]) + 6} y={px(check.second[1]) - 5}
        >{check.name}: {showTape(check.distance, ground.unit)}</text
      >
    {/each}
  </g>
{/each}

<style>
  .patch {
    fill: none;
    stroke: var(--color-signal-500);
    stroke-width: 2;
    stroke-dasharray: 10 5;
    vector-effect: non-scaling-stroke;
  }
  .label {
    fill: #1b2429;
    font-weight: 700;
    font-size: 13px;
    paint-order: stroke;
    stroke: #fbf8ef;
    stroke-width: 3px;
  }
  .big {
    font-size: 15px;
    text-anchor: middle;
  }
  .seam path {
    fill: none;
    stroke: var(--signal);
    stroke-width: 1.5px;
    stroke-dasharray: 5 4;
  }
  .seam .check,
  .seam .cross {
    stroke: #1b2429;
    stroke-dasharray: none;
  }
</style>
