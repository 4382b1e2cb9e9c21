<script lang="ts">
  import FileLink from '../../lib/ui/FileLink.svelte';
  import Button from 'flowbite-svelte/Button.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import { showMoment } from '../../lib/units';
  import type { PanelProps } from '../station';
  import { inWords, table } from './table.svelte';

  const { open, job }: PanelProps = $props();

  const kept = $derived(
    job.picture.masks.filter((mask) =>
      job.pieces.some((piece) => piece.is_kept && piece.mask === mask.number),
    ),
  );
  const last = $derived(table.weed?.rehearsals.at(-1));
</script>

{#if table.weed}
  <section class="flex flex-col gap-2" aria-label="Rehearsal">
    {#if table.rehearsing}
      <p class="m-0 text-sm">
        <strong>{table.left}</strong> still to come out; {table.slips === 1
          ? '1 wrong pull'
          : `${table.slips} wrong pulls`} so far. Click a part, or go to it with N and M and press O; a second time
        puts it back.
      </p>
      <Button color="alternative" size="sm" onclick={() => table.stop()}>End the rehearsal</Button>
    {:else}
      <Button color="alternative" size="sm" onclick={() => table.begin()}>Rehearse on the screen</Button>
      {#if last}
        <p class="m-0 text-sm text-(--faint)">
          Rehearsed {showMoment(last.at)}: {inWords(last.seconds)}, {last.slips === 1
            ? '1 wrong pull'
            : `${last.slips} wrong pulls`}.
        </p>
      {/if}
    {/if}
  </section>
  {#if !table.rehearsing && table.walk.length}
    <Fold title="The walk: {table.walk.length} to pull out">
      <ol class="m-0 flex list-none flex-col gap-1 p-0 text-sm">
        {#each table.walk as region (region.id)}
          <li>
            <button
              class="cursor-pointer text-left"
              class:font-bold={region.id === table.chosen}
              aria-pressed={region.id === table.chosen}
              onclick={() => (table.chosen = region.id)}
              >{region.number ?? ''}
              {region.name}{region.is_guide ? ' (whole: the placing guide)' : ''}{region.sheet_weak.length
                ? ` (tears easily at ${region.sheet_weak.length})`
                : ''}</button
            >
          </li>
        {/each}
      </ol>
    </Fold>
  {/if}
  {#if kept.length}
    <Fold title="Keepers, to print">
      <p class="m-0 mb-2 text-sm">
        {table.weed.where} Every outline in its place with its number: lay the pieces on it, or count by it.
      </p>
      {#each kept as mask (mask.number)}
        <p class="m-0 text-sm">
          {job.picture.masks.length > 1 ? `${mask.name}: ` : ''}
          {#each [['a4', 'A4'], ['letter', 'Letter']] as const as [paper, name] (paper)}
            <FileLink class="mr-3" href="/api/jobs/{open.id}/masks/{mask.number}/keepers-{paper}.pdf"
              >PDF on {name}</FileLink
            >
          {/each}
        </p>
      {/each}
    </Fold>
  {/if}
  <Fold title="If it goes wrong">
    {#each table.weed.help as card (card.key)}
      <p class="m-0 mb-2 text-sm"><strong>{card.title}.</strong> {card.text}</p>
    {/each}
  </Fold>
{/if}
