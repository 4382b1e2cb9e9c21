<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import * as api from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import Fold from '../lib/ui/Fold.svelte';
  import { showLength } from '../lib/units';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    open: OpenJob;
    job: api.Job;
    station: string;
  }
  const { open, job, station }: Props = $props();

  let stores = $state.raw<api.JobStores | null>(null);
  const wants = $derived(stores?.wants.filter((one) => one.station === station) ?? []);
  const short = $derived(wants.filter((one) => one.short));
  const isSheets = $derived(station === 'sheets');
  const offcuts = $derived(isSheets ? (stores?.offcuts ?? []) : []);
  const masks = $derived(isSheets ? (stores?.masks ?? []) : []);
  const canKeep = $derived(station === 'peel' || station === 'record' ? (stores?.can_keep ?? []) : []);
  const uses = $derived(isSheets && (stores?.used_masks.length ?? 0) > 0);
  const title = $derived.by(() => {
    if (canKeep.length) return 'Keep the mask for the next time';
    if (short.length)
      return `From store: ${short.length === 1 ? 'one thing' : `${short.length} things`} short`;
    return wants.length ? 'From store: all there' : 'From store';
  });

  $effect(() => {
    // Asked anew with every answer, not for what is in the hand: a tick takes, a change wants something else.
    const [id, unit] = [job.id, settings.unit, job.stations];
    api.getJobStores(id, unit).then(
      (found) => (stores = found),
      () => undefined,
    );
  });
  async function keep(what: () => Promise<api.JobStores>): Promise<void> {
    try {
      stores = await what();
    } catch (error) {
      if (error instanceof api.Problem) open.problem = error;
    }
  }
  /** Masks in store that are used, one for each mask of the job. */
  function useAgain(item: number, mask: number): void {
    const numbers = job.picture.masks.map(
      (one) => (one.number === mask ? item : masks.find((kept) => kept.mask === one.number)?.item) ?? null,
    );
    if (numbers.every((number) => number !== null)) void open.change({ kept_masks: numbers });
  }
  const hasAll = $derived(job.picture.masks.every((one) => masks.some((kept) => kept.mask === one.number)));
</script>

{#if wants.length || offcuts.length || masks.length || canKeep.length || uses}
  <Fold {title} open={canKeep.length > 0 || uses}>
    {#if wants.length}
      <ul class="m-0 flex list-none flex-col gap-1 p-0 text-sm">
        {#each wants as want, index (index)}
          <li>
            <strong>{want.shown}</strong>
            {want.name}{want.taken_from.length
              ? `, from ${want.taken_from.join(', then ')}`
              : ''}{#if want.short}, <span class="font-bold text-(--fault)">{want.short} short</span>{/if}
          </li>
        {/each}
      </ul>
    {/if}
    {#if uses}
      <p class="m-0 text-sm">
        The mask in store is used again.
        <button class="cursor-pointer font-bold underline" onclick={() => open.change({ kept_masks: [] })}
          >Cut a new one</button
        >
      </p>
    {:else}
      {#each masks as mask (mask.item)}
        <p class="m-0 text-sm">
          “{mask.name}” is of this design: {mask.shown} left{mask.is_enough ? '' : ', fewer than copies'}.
          {#if hasAll}
            <button class="cursor-pointer font-bold underline" onclick={() => useAgain(mask.item, mask.mask)}
              >Use it again, cut nothing</button
            >
          {/if}
        </p>
      {/each}
    {/if}
    {#each canKeep as mask (mask)}
      <p class="m-0 text-sm">
        {job.picture.masks.length > 1 ? `Mask ${mask}` : 'The mask'} is good for more prints.
        <button
          class="cursor-pointer font-bold underline"
          onclick={() => keep(() => api.keepMask(job.id, settings.unit, mask))}>Keep it in store</button
        >
      </p>
    {/each}
    {#if isSheets && !uses}
      {#each offcuts as offcut, index (index)}
        <p class="m-0 text-sm">
          Left beside sheet {offcut.sheet}: {showLength(offcut.width, settings.unit)} by {showLength(
            offcut.length,
            settings.unit,
          )}.
          {#if offcut.is_kept}In store.
          {:else}
            <button
              class="cursor-pointer font-bold underline"
              onclick={() =>
                keep(() =>
                  api.keepOffcut(job.id, settings.unit, {
                    sheet: offcut.sheet,
                    width: offcut.width,
                    length: offcut.length,
                  }),
                )}>Keep this offcut</button
            >
          {/if}
        </p>
      {/each}
      <Checkbox
        checked={stores?.uses_offcuts ?? true}
        class="text-(--ink)"
        onchange={() => open.change(({ inputs }) => ({ offcuts: !inputs.offcuts }))}
        >Cut from offcuts where one is large enough</Checkbox
      >
    {/if}
    <p class="m-0 text-sm"><a class="underline" href="#/stores">All stores, and what to buy</a></p>
  </Fold>
{/if}
