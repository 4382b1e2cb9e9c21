import { describe, expect, it } from 'vitest';
import type { Card } from '../lib/api/client';
import { arranged, counted } from './boarding';

const card = (id: number, entries: Partial<Card>): Card =>
  ({
    id,
    name: `Job ${id}`,
    surface_name: 'Coir mat',
    due: null,
    station: 'blank',
    phase: 'work',
    ...entries,
  }) as Card;
const cards = [
  card(1, { name: 'Tide rug', due: '2026-06-02', station: 'cure', phase: 'dry' }),
  card(2, { name: 'Cabin mat', due: '2026-05-20', phase: 'decide' }),
  card(3, { name: 'Oar labels', surface_name: 'Wood', station: 'paint' }),
];
const names = (found: Card[]) => found.map((one) => one.name);

describe('the board', () => {
  it('finds jobs by all words of a search, in their name, surface or next step', () => {
    expect(names(arranged(cards, 'coir CABIN', 'all', 'due'))).toEqual(['Cabin mat']);
    expect(names(arranged(cards, 'wood', 'all', 'due'))).toEqual(['Oar labels']);
    expect(arranged(cards, 'nowhere', 'all', 'due')).toEqual([]);
  });

  it('puts what is due first first, and what is not due last', () => {
    expect(names(arranged(cards, '', 'all', 'due'))).toEqual(['Cabin mat', 'Tide rug', 'Oar labels']);
    expect(names(arranged(cards, '', 'all', 'next'))).toEqual(['Tide rug', 'Oar labels', 'Cabin mat']);
    expect(names(arranged(cards, '', 'all', 'name'))).toEqual(['Cabin mat', 'Oar labels', 'Tide rug']);
    expect(names(arranged(cards, '', 'all', 'newest'))).toEqual(['Oar labels', 'Cabin mat', 'Tide rug']);
  });

  it('shows only what is waited for, and counts each', () => {
    expect(names(arranged(cards, '', 'dry', 'due'))).toEqual(['Tide rug']);
    expect(counted(cards)).toEqual({ all: 3, decide: 1, work: 1, dry: 1, done: 0 });
  });
});
