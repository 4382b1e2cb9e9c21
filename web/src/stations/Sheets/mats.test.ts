import { describe, expect, it } from 'vitest';
import type { Sheet } from '../../lib/api/client';
import { laidOut, matAt } from './mats';

const sheet = (number: number, width: number, height: number) => ({ number, width, height }) as Sheet;

describe('sheets on the table', () => {
  it('lie side by side until the table is full, then below', () => {
    const mats = laidOut([sheet(1, 200, 200), sheet(2, 200, 200), sheet(3, 200, 200)], [292, 292], 700);

    expect(mats.map((mat) => [mat.x, mat.y])).toEqual([
      [0, 0],
      [316, 0],
      [0, 340],
    ]);
  });

  it('show a roll no longer than its sheet needs', () => {
    const [mat] = laidOut([sheet(1, 280, 500)], [292, 10000], 700);

    expect(mat?.height).toBe(570);
  });

  it('know which of them a patch was let go on', () => {
    const mats = laidOut([sheet(1, 200, 200), sheet(2, 200, 200)], [292, 292], 700);

    expect([matAt(mats, 10, 10), matAt(mats, 320, 291), matAt(mats, 300, 10), matAt(mats, 0, 900)]).toEqual([
      1, 2, 3, 3,
    ]);
  });
});
