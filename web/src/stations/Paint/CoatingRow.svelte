<script lang="ts">
  import Trash2 from '@lucide/svelte/icons/trash-2';
  import type { Catalogue, Coating, PlannedCoating } from '../../lib/api/client';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import ColourField from '../../lib/ui/ColourField.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';

  interface Props {
    coating: Coating;
    planned: PlannedCoating | undefined;
    catalogue: Catalogue;
    surface: string;
    /** The last colour there is cannot be taken out. */
    only: boolean;
    onchange: (entries: Partial<Coating>) => void;
    onremove: () => void;
  }
  const { coating, planned, catalogue, surface, only, onchange, onremove }: Props = $props();

  const serving = $derived(
    catalogue.paints.filter((one) => (catalogue.roles[one.key] ?? []).includes(coating.role)),
  );
  const NAMES: Record<Coating['role'], string> = {
    base: 'Base',
    'edge-seal': 'Edge seal',
    colour: 'Paint',
    'over-colour': 'Over the colour',
    ground: 'Ground',
    seal: 'Seal',
    finish: 'Finish',
  };
  const BASES = [
    ['everywhere', 'Everywhere'],
    ['under', 'Under the design'],
  ] as const;
  const SEALS = [
    ['over', 'Over all, mask off'],
    ['mask', 'Through the mask'],
  ] as const;
</script>

<div class="card grid grid-cols-[1fr_5.5rem_auto] items-start gap-2 p-3">
  <ChoiceField
    label={NAMES[coating.role]}
    value={coating.paint}
    choices={serving}
    {surface}
    onchange={(paint) => onchange({ paint })}
  />
  <NumberField
    label="Coats"
    entry="coating.coats"
    value={coating.coats ?? null}
    otherwise={planned?.coats ?? 1}
    onchange={(coats) => onchange({ coats })}
  />
  {#if only}
    <span class="w-8"></span>
  {:else}
    <button
      class="mt-7 cursor-pointer p-1.5"
      aria-label="Take out: {NAMES[coating.role]}"
      title="Take out"
      onclick={onremove}><Trash2 size={16} /></button
    >
  {/if}
  {#if coating.role === 'base' || coating.role === 'over-colour' || coating.role === 'ground'}
    <ColourField
      label="Its colour"
      value={coating.colour ?? '#f3efe4'}
      onchange={(colour) => onchange({ colour })}
    />
  {/if}
  {#if coating.role === 'base'}
    <div class="col-span-2">
      <OneOf
        label="Where"
        value={coating.where === 'under' ? 'under' : 'everywhere'}
        of={BASES}
        onchange={(where) => onchange({ where })}
      />
    </div>
  {:else if coating.role === 'seal'}
    <div class="col-span-2">
      <OneOf
        label="When"
        value={coating.where === 'mask' ? 'mask' : 'over'}
        of={SEALS}
        onchange={(where) => onchange({ where })}
      />
    </div>
  {/if}
</div>
