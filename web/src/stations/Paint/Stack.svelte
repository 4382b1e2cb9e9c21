<script lang="ts">
  import type { PlannedCoating } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import { showVolume } from '../../lib/units';

  interface Props {
    coatings: PlannedCoating[];
    seenThrough: boolean;
  }
  const { coatings, seenThrough }: Props = $props();
  /** From the eye down: what goes on last lies on top, or behind glass at the bottom. */
  const layers = $derived([...coatings].reverse());
</script>

{#if coatings.length > 1}
  <ol class="m-0 flex list-none flex-col p-0" aria-label="What goes on, the last on top">
    {#each layers as coat (coat.number)}
      <li class="layer flex items-center gap-2 px-2 py-1 text-sm">
        <span class="swatch" style:background={coat.colour ?? 'transparent'} class:clear={!coat.colour}
        ></span>
        <span class="stamp w-5 text-right">{coat.number}</span>
        <span class="flex-1"
          >{coat.role_name}: {coat.paint_name}, {coat.coats}
          {coat.coats === 1 ? 'coat' : 'coats'}{coat.mask && coatings.some((one) => (one.mask ?? 1) > 1)
            ? `, mask ${coat.mask}`
            : ''}</span
        >
        <strong>{showVolume(coat.total_ml, settings.unit)}</strong>
      </li>
    {/each}
    <li class="blank px-2 py-1 text-sm">
      {seenThrough ? 'The back of the blank; it is seen from below' : 'The blank'}
    </li>
  </ol>
{/if}

<style>
  .layer {
    border: 1px solid var(--line);
    border-bottom: 0;
  }
  .layer:first-child {
    border-radius: 0.5rem 0.5rem 0 0;
  }
  .blank {
    border: 1px solid var(--line);
    border-radius: 0 0 0.5rem 0.5rem;
    background: repeating-linear-gradient(45deg, transparent 0 6px, var(--line) 6px 7px);
    font-weight: 700;
  }
  .swatch {
    width: 1.6rem;
    height: 0.9rem;
    border: 1px solid var(--faint);
  }
  .clear {
    background: repeating-linear-gradient(135deg, transparent 0 3px, var(--faint) 3px 4px) !important;
  }
</style>
