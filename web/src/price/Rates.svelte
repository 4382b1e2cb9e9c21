<script lang="ts">
  import type { Costs, RatesEntry } from '../lib/api/client';
  import { withOne } from '../lib/entries';
  import NumberField from '../lib/ui/NumberField.svelte';
  import TextField from '../lib/ui/TextField.svelte';

  interface Props {
    costs: Costs;
    onchange: (entry: Partial<RatesEntry>) => void;
    onundo: () => void;
  }
  const { costs, onchange, onundo }: Props = $props();

  const rates = $derived(costs.rates);
</script>

<article class="card p-4" aria-label="What the workshop reckons with">
  <div class="flex flex-wrap items-baseline gap-3">
    <h2 class="m-0 text-lg font-bold">What the workshop reckons with</h2>
    <span class="flex-1 text-sm text-(--faint)">For all jobs. Leave empty for the usual value.</span>
    <button class="cursor-pointer underline" onclick={onundo}>Take the last change back</button>
  </div>
  <div class="mt-2 grid grid-cols-[repeat(auto-fill,minmax(10rem,1fr))] items-end gap-3">
    <TextField
      label="Your word for money"
      entry="rates.currency"
      name="rates/currency"
      rows={1}
      value={rates.currency ?? ''}
      onchange={(currency) => onchange({ currency })}
    />
    <NumberField
      label="An hour is worth"
      entry="rates.hour"
      value={rates.hour ?? null}
      otherwise={costs.table.hour_worth}
      onchange={(hour) => onchange({ hour })}
    />
    <NumberField
      label="Rent, light, tools an hour"
      entry="rates.fixed_hour"
      value={rates.fixed_hour ?? null}
      otherwise={costs.table.fixed_hour}
      onchange={(fixed_hour) => onchange({ fixed_hour })}
    />
    <NumberField
      label="Left over of a price, %"
      entry="rates.margin"
      value={rates.margin ?? null}
      otherwise={costs.table.margin}
      onchange={(margin) => onchange({ margin })}
    />
    <NumberField
      label="Expected waste, until your own jobs tell, %"
      entry="rates.spoiled"
      value={rates.spoiled ?? null}
      otherwise={costs.table.spoiled}
      onchange={(spoiled) => onchange({ spoiled })}
    />
    {#each Object.entries(costs.paints) as [key, name] (key)}
      <NumberField
        label="{name}, a litre"
        entry="rates.paint_litre"
        value={rates.paint_litre?.[key] ?? null}
        otherwise={costs.table.price_paint}
        onchange={(litre) => onchange({ paint_litre: withOne(rates.paint_litre, key, litre) })}
      />
    {/each}
    <NumberField
      label="{costs.material_name}, a m²"
      entry="rates.material_m2"
      value={rates.material_m2?.[costs.material] ?? null}
      otherwise={costs.material_price}
      onchange={(each) => onchange({ material_m2: withOne(rates.material_m2, costs.material, each) })}
    />
  </div>
</article>
