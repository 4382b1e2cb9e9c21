import { describe, expect, it } from 'vitest';
import { axis } from './axis';

const HOUR = 3_600_000;

describe('the axis of time', () => {
  it('runs from nothing to all, in the order of time, narrower to the right', () => {
    const { at, ticks } = axis(0, 48 * HOUR);

    expect([at(0), at(48 * HOUR)]).toEqual([0, 1]);
    expect(at(HOUR) - at(0)).toBeGreaterThan(at(25 * HOUR) - at(24 * HOUR));
    expect(ticks.map((tick) => tick.name)).toEqual(['begin', '30 min', '2 h', '8 h', '1 day']);
    expect(ticks.every((tick, k) => k === 0 || tick.at > (ticks[k - 1]?.at ?? 0))).toBe(true);
  });

  it('stands a job that is over at once', () => {
    expect(axis(5, 5).at(5)).toBe(0);
  });
});
