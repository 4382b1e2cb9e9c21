import { describe, expect, it } from 'vitest';
import { reading } from './clocks.svelte';

const at = (minutes: number) => new Date(Date.UTC(2026, 4, 10, 12, minutes)).toISOString();
const clock = (opens: string | null, closes: string | null, fits_until: string | null = null) => ({
  opens,
  closes,
  fits_until,
});
const now = Date.UTC(2026, 4, 10, 12, 10);

describe('what a clock says', () => {
  it('counts down to when it may be done, then to when it must', () => {
    expect(reading(clock(at(15), at(20)), now)).toEqual({ kind: 'opens', minutes: 5 });
    expect(reading(clock(at(5), at(20)), now)).toEqual({ kind: 'closes', minutes: 10 });
  });

  it('says by how much it is late, and nothing of what has no end', () => {
    expect(reading(clock(at(5), at(7)), now)).toEqual({ kind: 'late', minutes: 3 });
    expect(reading(clock(at(5), null), now).kind).toBe('free');
  });

  it('is not open while coats are left, and tells when they no longer fit', () => {
    expect(reading(clock(null, at(30), at(12)), now)).toEqual({ kind: 'first', minutes: 20 });
    expect(reading(clock(null, at(30), at(9)), now)).toEqual({ kind: 'unfit', minutes: 20 });
    expect(reading(clock(null, at(8), at(5)), now)).toEqual({ kind: 'late', minutes: 2 });
  });
});
