/** Where a rule has its marks. */
import type { Unit } from '../api/client';

export interface Mark {
  at: number;
  /** 1 long with a figure, 2 middling, 3 short. */
  rank: 1 | 2 | 3;
  figure?: string;
}

const MM_PER_INCH = 25.4;
const FEWEST_PX = 6;

/** Marks along a rule of some length in mm, no closer than the eye can part at a scale in px a mm. */
export function marks(length: number, unit: Unit, scale: number): Mark[] {
  return unit === 'in' ? inchMarks(length, scale) : metricMarks(length, unit, scale);
}

function metricMarks(length: number, unit: Unit, scale: number): Mark[] {
  const step = [1, 5, 10, 50, 100].find((candidate) => candidate * scale >= FEWEST_PX) ?? 500;
  const figureEvery = [10, 50, 100, 500].find((every) => every >= step * 5 && every * scale >= 32) ?? 1000;
  return Array.from({ length: Math.floor(length / step + 1e-9) + 1 }, (_, index) => {
    const at = index * step;
    if (at % figureEvery === 0) return { at, rank: 1, figure: String(unit === 'cm' ? at / 10 : at) } as const;
    return { at, rank: at % (figureEvery / 2) === 0 ? 2 : 3 } as const;
  });
}

function inchMarks(length: number, scale: number): Mark[] {
  const parts = [16, 8, 4, 2, 1].find((candidate) => (MM_PER_INCH / candidate) * scale >= FEWEST_PX) ?? 1;
  const figureEvery = MM_PER_INCH * scale >= 32 ? 1 : 4;
  return Array.from({ length: Math.floor((length / MM_PER_INCH) * parts + 1e-9) + 1 }, (_, index) => {
    const inches = index / parts;
    const at = inches * MM_PER_INCH;
    if (inches % figureEvery === 0) return { at, rank: 1, figure: String(inches) } as const;
    return { at, rank: inches % 0.5 === 0 ? 2 : 3 } as const;
  });
}
