<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Layouts } from '../../lib/api/client';
  import { getLayouts, Problem } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import type { SheetsJob } from './part';
  import { several, sheetsAndSeams } from './words';

  interface Props {
    open: OpenJob;
    job: SheetsJob;
  }
  const { open, job }: Props = $props();

  const sheets = $derived(job.sheets);
  const single = $derived(sheets.count === 1 && !sheets.seams.length);
  let layouts = $state.raw<Layouts | string | null>(null);

  async function look(of: SheetsJob): Promise<void> {
    let found: Layouts | string;
    try {
      found = await getLayouts(of.id, settings.unit);
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      found = error.what;
    }
    // The job may have been changed meanwhile: then another answer is on its way.
    if (of === job) layouts = found;
  }

  $effect(() => {
    layouts = null;
    if (!single) void look(job);
  });
</script>

<section aria-label="Layouts" class="flex flex-col gap-1.5 text-sm">
  <p class="m-0">
    {sheets.fewest}
  </p>
  {#if !single}
    <div aria-live="polite" class="flex flex-col gap-1.5">
      {#if layouts === null}
        <p class="m-0 flex items-center gap-2"><Spinner size="4" /> Trying other layouts</p>
      {:else if typeof layouts === 'string'}
        <p class="m-0">{layouts}</p>
      {:else}
        {#if layouts.in_use.parted}
          <p class="m-0">
            {several(layouts.in_use.parted, 'word, letter or shape', 'words, letters or shapes')} cut by a seam.
          </p>
        {/if}
        {#if layouts.offers.length}
          <Fold title="Other layouts: {layouts.offers.length}">
            {#each layouts.offers as offer (offer.code)}
              <Button
                color="alternative"
                size="xs"
                class="justify-start text-left"
                disabled={open.busy > 0}
                onclick={() => open.takeLayout(offer.code)}
                ><span
                  ><strong>{sheetsAndSeams(offer.sheets, offer.seams)}</strong>: {offer.label.toLowerCase()}.
                  <span class="text-(--faint)">{offer.consequence}</span></span
                ></Button
              >
            {/each}
          </Fold>
        {/if}
      {/if}
    </div>
  {/if}
</section>
