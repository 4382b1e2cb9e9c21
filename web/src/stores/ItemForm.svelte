<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import type { Catalogue, Item, StoreKind, Stores } from '../lib/api/client';
  import ColourField from '../lib/ui/ColourField.svelte';
  import LengthField from '../lib/ui/LengthField.svelte';
  import OneOf from '../lib/ui/OneOf.svelte';
  import AmountField from './AmountField.svelte';
  import { ADDED, begun, CARRIERS, entriesOf, SHAPES } from './item';

  interface Props {
    catalogue: Catalogue;
    kinds: Stores['kinds'];
    /** What is changed; null where it is something new. */
    item: Item | null;
    onkeep: (item: Item, left: number) => void;
    oncancel: () => void;
  }
  const { catalogue, kinds, item, onkeep, oncancel }: Props = $props();

  const id = $props.id();
  const SLATE = '#22313a';
  // The form is for the one it was opened with.
  // svelte-ignore state_referenced_locally
  let made = $state.raw<Item>(item ? entriesOf(item) : begun('roll', catalogue.materials[0]?.key ?? ''));
  let left = $state<number | null>(null);
  const shape = $derived(SHAPES[made.kind]);
  const told = $derived(kinds.find((one) => one.kind === made.kind)?.unit ?? 'pieces');
  const tableOf = (kind: StoreKind): [string, string][] => {
    const { table } = SHAPES[kind];
    if (table === 'carriers') return CARRIERS;
    return table ? catalogue[table].map((row): [string, string] => [row.key, row.name]) : [];
  };
  const lacks = $derived(
    !made.name.trim() ||
      (shape.width && !made.width) ||
      (shape.length && !made.length) ||
      (!item && left === null),
  );
  const set = (entries: Partial<Item>) => (made = { ...made, ...entries });
  const WHAT = {
    surfaces: 'Surface',
    materials: 'Material',
    paints: 'Paint or finish',
    carriers: 'Kind of tape',
  };
</script>

<form
  class="card grid grid-cols-2 items-end gap-3 p-4 sm:grid-cols-3 lg:grid-cols-4"
  aria-label={item ? `Change ${item.name}` : 'Something new in store'}
  onsubmit={(event) => {
    event.preventDefault();
    if (!lacks) onkeep({ ...made, name: made.name.trim() }, left ?? 0);
  }}
>
  {#if !item}
    <OneOf
      label="It is"
      value={made.kind}
      of={kinds.filter((one) => ADDED.includes(one.kind)).map((one) => [one.kind, one.name] as const)}
      onchange={(kind) => {
        made = begun(kind, tableOf(kind)[0]?.[0] ?? '', made);
        left = null;
      }}
    />
  {/if}
  {#if shape.table}
    <OneOf
      label={WHAT[shape.table]}
      value={made.key ?? ''}
      of={tableOf(made.kind)}
      onchange={(key) => set({ key })}
    />
  {/if}
  <div class="col-span-2">
    <label class="mb-1 block text-sm" for="{id}-name">Your name for it</label>
    <input
      id="{id}-name"
      class="block w-full p-1.5"
      maxlength="120"
      value={made.name}
      oninput={(event) => set({ name: event.currentTarget.value })}
    />
  </div>
  {#if shape.width}
    <LengthField
      label={shape.width}
      entry="item.width"
      value={made.width ?? null}
      onchange={(width) => set({ width })}
    />
  {/if}
  {#if shape.length}
    <LengthField
      label={shape.length}
      entry="item.length"
      value={made.length ?? null}
      onchange={(length) => set({ length })}
    />
  {/if}
  {#if !item}
    <AmountField
      label="How much there is"
      {told}
      value={left}
      entry="move.amount"
      onchange={(amount) => (left = amount ?? 0)}
    />
  {/if}
  <AmountField
    label="Buy more below"
    {told}
    value={made.keep_at_least || null}
    entry="item.keep_at_least"
    onchange={(amount) => set({ keep_at_least: amount ?? 0 })}
  />
  {#if shape.opened}
    <label class="text-sm"
      >Opened<input
        class="mt-1 block w-full p-1.5"
        type="date"
        value={made.opened ?? ''}
        onchange={(event) => set({ opened: event.currentTarget.value || null })}
      /></label
    >
  {/if}
  {#if shape.colour}
    <div class="flex flex-col gap-1">
      <Checkbox checked={!!made.colour} onchange={() => set({ colour: made.colour ? null : SLATE })}
        >Of one colour</Checkbox
      >
      {#if made.colour}
        <ColourField label="Its colour" value={made.colour} onchange={(colour) => set({ colour })} />
      {/if}
    </div>
  {/if}
  {#if made.kind === 'sheets'}
    <Checkbox checked={made.is_offcut ?? false} onchange={() => set({ is_offcut: !made.is_offcut })}
      >An offcut: used before new material</Checkbox
    >
  {/if}
  <div class="col-span-full flex gap-3">
    <Button size="sm" type="submit" disabled={!!lacks}>{item ? 'Keep the change' : 'Put it in store'}</Button>
    <Button size="sm" color="alternative" type="button" onclick={oncancel}>Leave it</Button>
  </div>
</form>
