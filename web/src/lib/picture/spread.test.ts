import { describe, expect, it } from 'vitest';
import { spread } from './spread';

describe('numbers on the picture', () => {
  it('leaves alone what is far apart', () => {
    const places = [
      { x: 0, y: 0 },
      { x: 50, y: 0 },
    ];
    expect(spread(places, 20)).toEqual(places);
  });

  it('parts two that overlap by the same amount each, along the line between them', () => {
    const [a, b] = spread(
      [
        { x: 0, y: 0 },
        { x: 0, y: 10 },
      ],
      20,
    );
    expect(a).toEqual({ x: 0, y: -5 });
    expect(b).toEqual({ x: 0, y: 15 });
  });

  it('parts a whole row, even from one spot', () => {
    const row = spread(
      Array.from({ length: 5 }, () => ({ x: 0, y: 0 })),
      20,
    );
    for (const [i, a] of row.entries())
      for (const b of row.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(19);
  });
});
