<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { MaskJob } from './part';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import { showMinutes } from '../../lib/units';
  import CostPlot from './CostPlot.svelte';

  interface Props {
    open: OpenJob;
    job: MaskJob;
  }
  const { open, job }: Props = $props();
  const fit = $derived(job.mask.materials.filter((one) => one.fits));
  const unfit = $derived(job.mask.materials.filter((one) => !one.fits));
</script>

<table class="w-full border-collapse text-sm">
  <caption class="sr-only">Mask materials, best fit first; figures for one copy</caption>
  <thead>
    <tr class="text-left text-xs text-(--faint)">
      <th scope="col" class="font-normal">Material</th>
      <th scope="col" class="text-right font-normal">Small, weak</th>
      <th scope="col" class="text-right font-normal">Sheets</th>
      <th scope="col" class="text-right font-normal">Cost</th>
      <th scope="col" class="text-right font-normal">Time</th>
    </tr>
  </thead>
  <tbody>
    {#each fit as one (one.key)}
      {@const used = one.key === job.inputs.material}
      <tr class:used>
        <th scope="row" class="text-left font-normal">
          <button
            class="cursor-pointer text-left underline"
            aria-label="Cut the mask from {one.name}"
            aria-pressed={used}
            disabled={open.busy > 0 || used}
            onclick={() => open.change({ material: one.key })}>{one.name}</button
          >
          {#if used}<strong>in use</strong>{/if}
          {#if one.uses > 1}<span class="block text-xs text-(--faint)"
              >{one.uses} uses{one.wash_every ? `, washed every ${one.wash_every}` : ''}</span
            >{/if}
        </th>
        <td>{one.small}, {one.weak}</td>
        <td>{one.sheets}</td>
        <td>{one.cost.toFixed(2)}</td>
        <td>{showMinutes(one.minutes)}</td>
      </tr>
    {/each}
  </tbody>
</table>
{#if unfit.length}
  <div class="text-sm">
    <p class="m-0 font-bold">Does not work here</p>
    <ul class="m-0 list-none p-0">
      {#each unfit as one (one.key)}
        <li class="mt-1">
          {#if one.key === job.inputs.material}<strong>{one.name}, in use:</strong>{:else}<strong
              >{one.name}:</strong
            >{/if}
          {one.excluded.join(' ')}
        </li>
      {/each}
    </ul>
  </div>
{/if}
<NumberField
  label="Copies wanted"
  entry="blank.copies"
  value={job.inputs.copies}
  onchange={(copies) => copies !== null && open.change({ copies })}
/>
<p class="m-0 text-sm text-(--faint)">
  Cost of a copy: mask material and minutes at the bench, from the catalogue's prices, in any money.
</p>
<CostPlot
  reuse={job.mask.reuse}
  materials={job.mask.materials}
  copies={job.inputs.copies}
  used={job.inputs.material}
/>

<style>
  td {
    white-space: nowrap;
    padding: 0.2rem 0 0.2rem 0.4rem;
    text-align: right;
    vertical-align: top;
  }
  tr + tr {
    border-top: 1px solid var(--line);
  }
  .used {
    background: color-mix(in srgb, var(--grass) 12%, transparent);
  }
</style>
