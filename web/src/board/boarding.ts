/** Which cards the board shows, and in which order. */
import type { Card } from '../lib/api/client';

export type Sort = 'due' | 'next' | 'name' | 'newest';
export type Filter = Card['phase'] | 'all';

const STATIONS = ['blank', 'artwork', 'mask', 'sheets', 'weed', 'tack', 'paint', 'peel', 'cure', 'record'];
const LAST = '9999-12-31';

const ORDERS: Record<Sort, (a: Card, b: Card) => number> = {
  due: (a, b) => (a.due ?? LAST).localeCompare(b.due ?? LAST) || b.id - a.id,
  next: (a, b) => STATIONS.indexOf(b.station) - STATIONS.indexOf(a.station) || b.id - a.id,
  name: (a, b) => a.name.localeCompare(b.name) || b.id - a.id,
  newest: (a, b) => b.id - a.id,
};

/** The cards that hold every word searched for, of what is waited for, in an order. */
export function arranged(cards: Card[], search: string, filter: Filter, sort: Sort): Card[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return cards
    .filter((card) => {
      const text = `${card.name} ${card.surface_name} ${card.next_title ?? ''}`.toLowerCase();
      return (filter === 'all' || card.phase === filter) && words.every((word) => text.includes(word));
    })
    .sort(ORDERS[sort]);
}

/** How many cards there are of everything that is waited for. */
export function counted(cards: Card[]): Record<Filter, number> {
  const counts: Record<Filter, number> = { all: cards.length, decide: 0, work: 0, dry: 0, done: 0 };
  for (const card of cards) counts[card.phase]++;
  return counts;
}
