/** What a thing in store is made of, kind by kind. */
import type { Item, StoreKind } from '../lib/api/client';

export interface Shape {
  /** Which table its key is from; null where it has none. */
  table: 'surfaces' | 'materials' | 'paints' | 'carriers' | null;
  width: string | null;
  length: string | null;
  colour: boolean;
  opened: boolean;
}

const PLAIN: Shape = { table: null, width: null, length: null, colour: false, opened: false };
export const SHAPES: Record<StoreKind, Shape> = {
  blank: { ...PLAIN, table: 'surfaces', width: 'Width, by its label', length: 'Height, by its label' },
  roll: { ...PLAIN, table: 'materials', width: 'Width of the roll', colour: true },
  sheets: {
    ...PLAIN,
    table: 'materials',
    width: 'Width of a sheet',
    length: 'Length of a sheet',
    colour: true,
  },
  paint: { ...PLAIN, table: 'paints', colour: true, opened: true },
  pins: PLAIN,
  tape: PLAIN,
  carrier: { ...PLAIN, table: 'carriers' },
  mask: { ...PLAIN, table: 'materials' },
};

/** Kinds a maker writes down; masks are kept from their job. */
export const ADDED: StoreKind[] = ['blank', 'roll', 'sheets', 'paint', 'pins', 'tape', 'carrier'];

export const CARRIERS: [string, string][] = [
  ['heat-proof', 'Heat-proof'],
  ['transfer', 'Transfer tape'],
];

/** An item's own entries, without what the workshop adds. */
export const entriesOf = (of: Item): Item => ({
  name: of.name,
  kind: of.kind,
  key: of.key ?? '',
  width: of.width ?? null,
  length: of.length ?? null,
  colour: of.colour ?? null,
  opened: of.opened ?? null,
  is_offcut: of.is_offcut ?? false,
  keep_at_least: of.keep_at_least ?? 0,
  notes: of.notes ?? '',
});

/** A new thing of a kind, as far as it can be known; what does not belong to the kind is left out. */
export const begun = (kind: StoreKind, key: string, before?: Item): Item => ({
  ...entriesOf(before ?? { name: '', kind }),
  kind,
  key: SHAPES[kind].table ? key : '',
  width: SHAPES[kind].width ? (before?.width ?? null) : null,
  length: SHAPES[kind].length ? (before?.length ?? null) : null,
  colour: SHAPES[kind].colour ? (before?.colour ?? null) : null,
  opened: SHAPES[kind].opened ? (before?.opened ?? null) : null,
  is_offcut: kind === 'sheets' && (before?.is_offcut ?? false),
});
