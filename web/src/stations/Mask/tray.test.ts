import { describe, expect, it } from 'vitest';
import type { Job, Piece } from '../../lib/api/client';
import { stateOf, trayOf, usualSize } from './tray';

const piece = (number: number, more: Partial<Piece> = {}): Piece => ({
  number,
  mask: 1,
  where: `centre of the ${'AOB'[number - 1] ?? 'X'} in OAB`,
  area: 100 / number,
  width: 12,
  least: 10 - number,
  box: [0, 0, 10, 10],
  anchor: [5, 5],
  fate: null,
  is_kept: true,
  is_here: true,
  bridges: 0,
  nearest: null,
  path: '',
  ...more,
});
const pieces = [piece(3, { fate: 'bridge' }), piece(1), piece(2, { fate: 'keep' })];
const numbers = (...asked: Parameters<typeof trayOf>) => trayOf(...asked).map((found) => found.number);

describe('the tray of loose pieces', () => {
  it.each([
    ['number', [1, 2, 3]],
    ['least', [3, 2, 1]],
    ['area', [3, 2, 1]],
    ['where', [1, 3, 2]],
  ] as const)('sorts by %s', (sort, order) => {
    expect(numbers(pieces, 'all', sort, '')).toEqual(order);
  });

  it.each([
    ['undecided', [1]],
    ['keep', [2]],
    ['bridge', [3]],
    ['drop', []],
  ] as const)('shows those %s', (filter, shown) => {
    expect(numbers(pieces, filter, 'number', '')).toEqual(shown);
  });

  it('finds by number and by where they sit', () => {
    expect(numbers(pieces, 'all', 'number', '2')).toEqual([2]);
    expect(numbers(pieces, 'all', 'number', ' The o ')).toEqual([2]);
  });

  it('is drawn at a scale that one long piece does not set', () => {
    const sized = [10, 12, 14, 16, 450].map((side, index) => piece(index + 1, { box: [0, 0, side, 5] }));
    expect(usualSize(sized)).toBe(16);
    expect(usualSize([])).toBe(1);
  });

  it('says how far a piece has come', () => {
    const called = (station: string, ...numbers: number[]) => ({
      tasks: [{ station, call: { answered: Object.fromEntries(numbers.map((one) => [one, '2026'])) } }],
    });
    const stations = [called('weed', 1, 2), called('tack', 2)] as unknown as Job['stations'];
    expect(stateOf(piece(1))).toBe('undecided');
    expect(stateOf(piece(1, { fate: 'bridge', bridges: 2 }))).toBe('2 bridges');
    expect(stateOf(piece(1, { fate: 'keep' }), stations)).toBe('counted');
    expect(stateOf(piece(2, { fate: 'keep' }), stations)).toBe('placed');
    expect(stateOf(piece(3, { fate: 'keep' }), stations)).toBe('kept');
  });
});
