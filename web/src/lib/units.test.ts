import { describe, expect, it } from 'vitest';
import {
  lengthEntry,
  readLength,
  readNumber,
  readPair,
  showBytes,
  showDue,
  showLength,
  showTape,
  showMinutes,
  showRow,
  showWay,
} from './units';

describe('bytes', () => {
  it.each([
    [300, '1 kB'],
    [639_000, '639 kB'],
    [1_250_000, '1.3 MB'],
    [83_000_000_000, '83 GB'],
  ])('of %d: %s', (bytes, words) => {
    expect(showBytes(bytes)).toBe(words);
  });
});

describe('what is read off a tape', () => {
  it.each([
    [61.4, 'mm', '61 mm'],
    [61.5, 'cm', '6.2 cm'],
    [61.4, 'in', '2 7/16 in'],
    [-0.4, 'mm', '0 mm'],
  ] as const)('%d mm is read in %s as %s', (mm, unit, shown) => {
    expect(showTape(mm, unit)).toBe(shown);
  });
});

describe('lengths', () => {
  it.each([
    [393.7, 'in', '15 1/2 in'],
    [25.4, 'in', '1 in'],
    [3.175, 'in', '1/8 in'],
    [3.96875, 'in', '5/32 in'],
    [-12.7, 'in', '-1/2 in'],
    [0, 'in', '0 in'],
    [123.4, 'cm', '12.3 cm'],
    [400, 'mm', '400 mm'],
    [4.25, 'mm', '4.3 mm'],
  ] as const)('%d mm is shown in %s as %s', (mm, unit, shown) => {
    expect(showLength(mm, unit)).toBe(shown);
  });

  it.each([
    ['15 1/2', 'in', 393.7],
    ['1/4"', 'mm', 6.35],
    ['40cm', 'mm', 400],
    ['12,5', 'cm', 125],
    ['-3', 'mm', -3],
    ['400.', 'mm', 400],
    ['2 ft', 'mm', 609.6],
  ] as const)('reads %s entered in %s as %d mm', (text, unit, mm) => {
    expect(readLength(text, unit)).toBeCloseTo(mm, 4);
  });

  it.each(['', 'wide', '1/0', '3 4'])('does not take “%s” for a length', (text) => {
    expect(readLength(text, 'mm')).toBeNull();
  });

  it.each([
    ['30x18', 'in', [762, 457.2]],
    ['60 by 40 cm', 'mm', [600, 400]],
    ['24in × 400mm', 'cm', [609.6, 400]],
    ['600 * 400.', 'mm', [600, 400]],
  ] as const)('reads both sides of “%s” entered in %s', (text, unit, sides) => {
    expect(readPair(text, unit)).toEqual(sides);
  });

  it.each(['600', 'x', '1x2x3', 'wide x high'])('does not take “%s” for two sides', (text) => {
    expect(readPair(text, 'mm')).toBeNull();
  });

  it('reads numbers with a point or a comma, and nothing else', () => {
    expect(['7', '2,5', '-3.', '.5'].map(readNumber)).toEqual([7, 2.5, -3, 0.5]);
    expect(['', 'two', '1e3', '²', '1.2.3'].map(readNumber)).toEqual([null, null, null, null, null]);
  });

  it('reads back what it wrote into an entry field', () => {
    for (const unit of ['mm', 'cm'] as const)
      expect(readLength(lengthEntry(246.5, unit), unit)).toBeCloseTo(246.5, 3);
  });
});

describe('figures', () => {
  it('shows a long way in metres or feet', () => {
    expect([showWay(4800, 'mm'), showWay(4800, 'cm'), showWay(3048, 'in')]).toEqual([
      '4.8 m',
      '4.8 m',
      '10.0 ft',
    ]);
  });

  it('follows the maker from metric to inches', () => {
    const heat = { label: 'Plate', kind: 'temperature', value: 150, why: '' } as const;
    expect(showRow(heat, 'mm')).toBe('150 °C');
    expect(showRow(heat, 'in')).toBe('302 °F');
    expect(showRow({ ...heat, kind: 'volume', value: 59.147 }, 'in')).toBe('2.0 fl oz');
  });

  it('says times as people do', () => {
    expect([0.5, 45, 240, 4320].map(showMinutes)).toEqual(['30 s', '45 min', '4 h', '3 days']);
  });

  it('counts days from today, late ones too', () => {
    const today = new Date(2026, 4, 10, 15);
    expect(
      ['2026-05-10', '2026-05-11', '2026-05-14', '2026-05-07'].map((due) => showDue(due, today)),
    ).toEqual(['due today', 'due tomorrow', 'due in 4 days', '3 days late']);
  });
});
