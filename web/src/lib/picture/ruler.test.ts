import { describe, expect, it } from 'vitest';
import { marks } from './ruler';

describe('the rule', () => {
  it('has a figure every 50 mm and a mark every 10 at one pixel a mm', () => {
    const found = marks(120, 'mm', 1);
    expect(found.filter((mark) => mark.figure).map((mark) => mark.figure)).toEqual(['0', '50', '100']);
    expect(found.map((mark) => mark.at)).toContain(110);
  });

  it('says centimetres where the maker reads centimetres', () => {
    expect(marks(100, 'cm', 1).find((mark) => mark.at === 50)?.figure).toBe('5');
  });

  it('parts inches by halving', () => {
    const found = marks(25.4, 'in', 2);
    expect(found.map((mark) => Math.round((mark.at / 25.4) * 1e6) / 1e6)).toEqual([
      0, 0.125, 0.25, 0.375, 0.5, 0.625, 0.75, 0.875, 1,
    ]);
    expect(found.at(-1)?.figure).toBe('1');
  });
});
