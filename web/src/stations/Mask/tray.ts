/** Which loose pieces the tray shows, in which order, and what is said of each. */
import type { Fate, Job, Piece } from '../../lib/api/client';
import { fateWord } from '../../lib/picture/fates';

export type Filter = 'all' | 'undecided' | Fate;
export type Sort = 'number' | 'least' | 'area' | 'where';

export const FILTERS: readonly (readonly [Filter, string])[] = [
  ['all', 'All'],
  ['undecided', 'Undecided'],
  ['keep', 'Kept'],
  ['bridge', 'Bridged'],
  ['leave-out', 'Left out'],
  ['drop', 'Dropped'],
];
export const SORTS: readonly (readonly [Sort, string])[] = [
  ['number', 'By number'],
  ['least', 'Narrowest first'],
  ['area', 'Smallest first'],
  ['where', 'By where they sit'],
];

const ORDER: Record<Sort, (a: Piece, b: Piece) => number> = {
  number: (a, b) => a.number - b.number,
  least: (a, b) => a.least - b.least || a.number - b.number,
  area: (a, b) => a.area - b.area || a.number - b.number,
  where: (a, b) => a.where.localeCompare(b.where) || a.number - b.number,
};

/** The pieces of a filter and a search, sorted. */
export function trayOf(pieces: Piece[], filter: Filter, sort: Sort, sought: string): Piece[] {
  const words = sought.trim().toLowerCase();
  return pieces
    .filter(
      (piece) =>
        (filter === 'all' || (filter === 'undecided' ? !piece.fate : piece.fate === filter)) &&
        (!words || String(piece.number) === words || piece.where.toLowerCase().includes(words)),
    )
    .sort(ORDER[sort]);
}

const MOST = 0.8;

/** The longer side, in mm, that four pieces in five do not exceed. */
export function usualSize(pieces: Piece[]): number {
  const sides = pieces.map(({ box: [x0, y0, x1, y1] }) => Math.max(x1 - x0, y1 - y0)).sort((a, b) => a - b);
  return sides[Math.ceil(sides.length * MOST) - 1] ?? 1;
}

/** How far a piece has come: counted after weeding, placed, lifted; else what becomes of it. */
export function stateOf(piece: Piece, stations: Job['stations'] = []): string {
  const calls = stations.flatMap((station) => station.tasks.filter((task) => task.call));
  const answered = calls.filter((task) => task.call && String(piece.number) in task.call.answered);
  const last = answered.at(-1)?.station;
  if (last) return REACHED[last] ?? 'counted';
  if (piece.bridges) return `${piece.bridges} bridge${piece.bridges === 1 ? '' : 's'}`;
  return fateWord(piece.fate);
}
const REACHED: Record<string, string> = { weed: 'counted', tack: 'placed', peel: 'lifted' };
