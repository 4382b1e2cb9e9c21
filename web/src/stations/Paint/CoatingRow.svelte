<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import Trash2 from '@lucide/svelte/icons/trash-2';
  import type { Catalogue, Coating, PlannedCoating } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import ColourField from '../../lib/ui/ColourField.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import { showBetween } from '../../lib/units';
  import Mix from './Mix.svelte';

  interface Props {
    coating: Coating;
    planned: PlannedCoating | undefined;
    catalogue: Catalogue;
    surface: string;
    /** The last colour there is cannot be taken out. */
    only: boolean;
    onchange: (entries: Partial<Coating>) => void;
    /** Put it on earlier or later; without it there is nothing to change places with. */
    onmove?: (by: -1 | 1) => void;
    onremove: () => void;
  }
  const { coating, planned, catalogue, surface, only, onchange, onmove, onremove }: Props = $props();

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
  const between = $derived(showBetween(planned?.low_ml ?? 0, planned?.high_ml ?? 0, settings.unit));
  const packs = $derived(
    planned?.cans
      ? `, ${planned.cans === 1 ? '1 can' : `${planned.cans} cans`}`
      : planned?.bottles
        ? `, ${planned.bottles === 1 ? '1 bottle' : `${planned.bottles} bottles`}`
        : '',
  );
  const named = $derived(catalogue.paints.find((one) => one.key === coating.paint)?.name.toLowerCase());
  const brief = $derived(
    [named, planned && (planned.coats === 1 ? '1 coat' : `${planned.coats} coats`), planned && between]
      .filter(Boolean)
      .join(', '),
  );
</script>

<Fold title={NAMES[coating.role]} value={brief} printed>
  <div class="grid grid-cols-[1fr_5.5rem_auto] items-start gap-2">
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
    <div class="mt-6 flex flex-col">
      {#if onmove}
        <button class="p-1" aria-label="Put on earlier: {NAMES[coating.role]}" onclick={() => onmove(-1)}
          ><ArrowUp size={16} /></button
        >
        <button class="p-1" aria-label="Put on later: {NAMES[coating.role]}" onclick={() => onmove(1)}
          ><ArrowDown size={16} /></button
        >
      {/if}
      {#if !only}
        <button
          class="cursor-pointer p-1"
          aria-label="Remove: {NAMES[coating.role]}"
          title="Remove"
          onclick={onremove}><Trash2 size={16} /></button
        >
      {/if}
    </div>
    {#if planned}
      <p class="col-span-3 m-0 text-sm text-(--faint)">
        {packs ? `${packs.slice(2)}. ` : ''}{planned.coats_why}
      </p>
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
    <div class="col-span-3">
      <Fold title="Mixed from" open={(coating.mix ?? []).length > 0}>
        <Mix
          mix={coating.mix ?? []}
          ml={planned?.pour_ml ?? 30}
          wanted={planned?.colour ?? null}
          onchange={(mix) => onchange({ mix })}
        />
      </Fold>
    </div>
  </div>
</Fold>
