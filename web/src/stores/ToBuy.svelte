<script lang="ts">
  import FileLink from '../lib/ui/FileLink.svelte';
  import type { Short } from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import Fold from '../lib/ui/Fold.svelte';

  interface Props {
    short: Short[];
  }
  const { short }: Props = $props();

  const kept = $derived(short.filter((one) => one.is_kept));
  const others = $derived(short.filter((one) => !one.is_kept));
  const file = (name: string) => `/api/stores/${name}?unit=${settings.unit}`;
</script>

{#snippet list(rows: Short[])}
  <ul class="m-0 grid list-none gap-x-8 p-0 lg:grid-cols-2">
    {#each rows as row, index (index)}
      <li class="flex items-baseline gap-3 border-t border-(--line) py-1">
        <span class="w-28 shrink-0 text-right"
          ><strong>{row.shown}</strong>{#if row.packs}<span class="block text-sm">{row.packs}</span
            >{/if}</span
        >
        <span class="min-w-0"
          ><span class="font-bold">{row.name}</span>
          <span class="block text-sm text-(--faint)">
            {#each row.jobs as job, place (job.job)}{place ? ', ' : 'for '}<a
                class="underline"
                href="#/job/{job.job}">{job.name}</a
              >{row.jobs.length > 1 ? ` (${job.shown})` : ''}{:else}to keep some in store{/each}
          </span></span
        >
      </li>
    {/each}
  </ul>
{/snippet}

<section class="card p-4" aria-label="To buy">
  <div class="flex flex-wrap items-baseline gap-3">
    <h2 class="m-0 flex-1 text-lg font-bold">To buy for the jobs on the board</h2>
    {#if short.length}
      <p class="m-0 text-sm">
        The list: <FileLink href={file('shopping-a4.pdf')}>on A4</FileLink>,
        <FileLink href={file('shopping-letter.pdf')}>on Letter</FileLink>,
        <FileLink href={file('shopping.csv')}>as a table (CSV)</FileLink>
      </p>
    {/if}
  </div>
  {#if kept.length}{@render list(kept)}
  {:else}<p class="m-0">Nothing is running low.</p>{/if}
  {#if others.length}
    <Fold title="Also needed (not counted): {others.length}">{@render list(others)}</Fold>
  {/if}
</section>
