import { describe, expect, it } from 'vitest';
import { snap } from './snap';

const lines = [{ at: 0 }, { at: 100 }, { at: 300 }];

describe('snapping', () => {
  it('leaves a move alone where no line is near', () => {
    expect(snap(40, 60, 7, lines, 3)).toEqual({ by: 7, line: null });
  });

  it.each([
    ['left edge', 110, 140, -12, -10],
    ['middle', 80, 110, 6, 5],
    ['right edge', 60, 90, 9, 10],
  ])('puts the %s on a line within reach', (_, low, high, by, snapped) => {
    expect(snap(low, high, by, lines, 3)).toEqual({ by: snapped, line: 100 });
  });

  it('takes the nearest of two lines', () => {
    expect(snap(0, 10, 1.5, [{ at: 0 }, { at: 12 }], 3)).toEqual({ by: 2, line: 12 });
  });

  it('snaps to nothing when there is nothing', () => {
    expect(snap(0, 10, 4, [], 3)).toEqual({ by: 4, line: null });
  });
});
