<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { MaskJob } from './part';
  import { FATES } from '../../lib/picture/fates';
  import { settings } from '../../lib/settings.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import { showLength } from '../../lib/units';
  import PieceRow from './PieceRow.svelte';
  import { FILTERS, SORTS, trayOf, usualSize, type Filter, type Sort } from './tray';

  interface Props {
    open: OpenJob;
    job: MaskJob;
  }
  const { open, job }: Props = $props();

  const ROOM = 44;
  const LIFE = 96 / 25.4;
  const MANY = 8;
  const FEW = 12;
  let filter = $state<Filter>('all');
  let sort = $state<Sort>('number');
  let sought = $state('');

  const shown = $derived(trayOf(job.pieces, filter, sort, sought));
  // One scale for all, life size where they allow it; a piece far larger than most is seen in part.
  const scale = $derived(Math.min(LIFE, (ROOM - 4) / usualSize(job.pieces)));
  const RULES = $derived(
    settings.unit === 'in' ? [4, 2, 1, 0.5, 0.25].map((inches) => inches * 25.4) : [100, 50, 20, 10, 5],
  );
  const rule = $derived(RULES.find((mm) => mm * scale <= ROOM) ?? RULES.at(-1) ?? 5);
  const picked = $derived(
    open.picked.filter((number) => job.pieces.some((piece) => piece.number === number)),
  );
  const about = $derived(
    picked.length
      ? `${picked.length} picked`
      : open.selected !== null
        ? `piece ${open.selected}`
        : `all ${job.pieces.length}`,
  );

  const meant = $derived(picked.length ? picked : open.selected !== null ? [open.selected] : null);

  function step(number: number, by: number): void {
    const at = shown.findIndex((piece) => piece.number === number);
    const next = shown[at + by];
    if (!next) return;
    open.select(next.number);
    document.querySelector<HTMLElement>(`[data-piece='${next.number}'] .main`)?.focus();
  }
</script>

<section aria-label="Loose pieces">
  <h3 class="m-0 mb-1 font-bold">{job.pieces.length} loose piece{job.pieces.length === 1 ? '' : 's'}</h3>
  {#if job.mask.gone.length}
    <p class="m-0 mb-2 text-sm">
      Gone from the design: {job.mask.gone.slice(0, FEW).join(', ')}{job.mask.gone.length > FEW ? ' …' : ''}.
      Their numbers are not given again.
    </p>
  {/if}
  {#if job.pieces.length > MANY}
    <div class="mb-2 grid grid-cols-3 items-end gap-2">
      <OneOf label="Show" value={filter} of={FILTERS} onchange={(key) => (filter = key)} />
      <OneOf label="Order" value={sort} of={SORTS} onchange={(key) => (sort = key)} />
      <Input
        size="sm"
        type="search"
        placeholder="Find"
        title="By number, letter or word"
        aria-label="Find a piece"
        bind:value={sought}
      />
    </div>
  {/if}
  <div class="mb-1 flex items-center justify-between text-xs text-(--faint)">
    <span class="flex items-center gap-1">
      <svg width={rule * scale + 2} height="8" aria-hidden="true"
        ><path d="M1 0V8M1 4H{1 + rule * scale}M{1 + rule * scale} 0V8" stroke="currentColor" /></svg
      >
      {showLength(rule, settings.unit)}{scale === LIFE ? ', life size' : ''}
    </span>
    <span class="flex gap-3">
      <button
        class="cursor-pointer underline"
        onclick={() => (open.picked = shown.map((piece) => piece.number))}>Pick all</button
      >
      {#if picked.length}<button class="cursor-pointer underline" onclick={() => (open.picked = [])}
          >None</button
        >{/if}
    </span>
  </div>
  <ul class="tray m-0 flex list-none flex-col p-0">
    {#each shown as piece (piece.number)}
      <PieceRow
        stations={job.stations}
        {piece}
        {scale}
        room={ROOM}
        selected={open.selected === piece.number}
        picked={picked.includes(piece.number)}
        onselect={() => open.select(piece.number)}
        onpick={() => open.pick(piece.number)}
        onstep={(by) => step(piece.number, by)}
      />
    {:else}
      <li class="p-2 text-sm">No piece matches.</li>
    {/each}
  </ul>
  <div class="mt-2" role="group" aria-label="What happens to {about}">
    <p class="m-0 mb-1 text-sm">What happens to <strong>{about}</strong></p>
    <div class="flex gap-1.5">
      {#each FATES as entry (entry.fate)}
        <Button
          color="alternative"
          size="xs"
          class="flex-1 px-1"
          title={entry.about}
          disabled={open.busy > 0}
          onclick={() => open.decide(meant, entry.fate)}>{entry.verb}</Button
        >
      {/each}
    </div>
  </div>
</section>

<style>
  .tray {
    /* What is only read out in it scrolls with it, and makes the panel no longer. */
    position: relative;
    max-height: 15rem;
    overflow-y: auto;
    border: 1px solid var(--line);
    border-radius: 0.6rem;
  }
</style>
