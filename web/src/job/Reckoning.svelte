<script lang="ts">
  import type { Row } from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import Fold from '../lib/ui/Fold.svelte';
  import { showRow } from '../lib/units';

  interface Props {
    rows: Row[];
    /** Figures that are reckoned with here, as own jobs taught them. */
    learnt: string[];
    open?: boolean;
  }
  const { rows, learnt, open = false }: Props = $props();
</script>

{#if rows.length || learnt.length}
  <Fold title={learnt.length ? 'Figures, some your own' : 'Figures'} {open}>
    <dl class="m-0 divide-y divide-(--line)">
      {#each rows as row, index (index)}
        <div class="grid grid-cols-[1fr_auto] gap-x-3 py-1.5">
          <dt>{row.label}</dt>
          <dd class="m-0 text-right font-bold">
            {#if row.label.startsWith('Colour #')}
              <span
                class="mr-1 inline-block h-3 w-3 rounded-full border border-(--line)"
                style:background={row.label.slice(7)}
              ></span>
            {/if}
            {showRow(row, settings.unit)}
          </dd>
          {#if row.why}<dd class="col-span-2 m-0 text-sm text-(--faint)">{row.why}</dd>{/if}
        </div>
      {/each}
    </dl>
    {#if learnt.length}
      <h3 class="m-0 text-base font-bold">By your own jobs</h3>
      <ul class="m-0 flex list-none flex-col gap-1.5 p-0 text-sm">
        {#each learnt as said (said)}<li>{said}</li>{/each}
      </ul>
      <p class="m-0 text-sm"><a class="font-bold underline" href="#/figures">See the values behind it</a></p>
    {/if}
  </Fold>
{/if}
