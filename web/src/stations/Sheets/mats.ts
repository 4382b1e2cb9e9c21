/** Where sheets are drawn, side by side at one scale. */
import type { Sheet } from '../../lib/api/client';

export interface Mat {
  number: number;
  x: number;
  y: number;
  width: number;
  height: number;
}

const GAP = 24;

/** Mats in rows no wider than asked for; a roll is shown as long as its sheet needs, with a little more. */
export function laidOut(sheets: Sheet[], reach: readonly [number, number], widest: number): Mat[] {
  const mats: Mat[] = [];
  let [x, y, deep] = [0, 0, 0];
  for (const sheet of sheets) {
    const width = Math.max(reach[0], sheet.width);
    const height = reach[1] > 2 * sheet.height + 100 ? sheet.height * 1.1 + 20 : reach[1];
    if (x > 0 && x + width > widest) [x, y, deep] = [0, y + deep + GAP * 2, 0];
    mats.push({ number: sheet.number, x, y, width, height });
    x += width + GAP;
    deep = Math.max(deep, height);
  }
  return mats;
}

/** The mat a point lies on, or the number after the last where it lies beyond all. */
export function matAt(mats: Mat[], x: number, y: number): number {
  const met = mats.find(
    (mat) => x >= mat.x && x <= mat.x + mat.width && y >= mat.y && y <= mat.y + mat.height,
  );
  return met?.number ?? mats.length + 1;
}
