import { describe, expect, it } from 'vitest';
import { reading } from './clocks.svelte';

const at = (minutes: number) => new Date(Date.UTC(2026, 4, 10, 12, minutes)).toISOString();
const now = Date.UTC(2026, 4, 10, 12, 10);

describe('what a clock says', () => {
  it('counts down to when it may be done, then to when it must', () => {
    expect(reading({ opens: at(15), closes: at(20) }, now)).toEqual({ kind: 'opens', minutes: 5 });
    expect(reading({ opens: at(5), closes: at(20) }, now)).toEqual({ kind: 'closes', minutes: 10 });
  });

  it('says by how much it is late, and nothing of what has no end', () => {
    expect(reading({ opens: at(5), closes: at(7) }, now)).toEqual({ kind: 'late', minutes: 3 });
    expect(reading({ opens: at(5), closes: null }, now).kind).toBe('free');
  });
});
