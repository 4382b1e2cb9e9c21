/** The size rail in words and stretches: where something changes, and what holds at a width. */
import type { Rail, Unit } from '../../lib/api/client';

export interface Point {
  key: string;
  kind: 'least' | 'sheets' | 'margin' | 'edge';
  width: number;
  /** On the rail's own buttons. */
  short: string;
  /** The whole of it. */
  about: string;
  /** Where on the blank it is measured. */
  at?: [number, number];
}

export interface Zone {
  kind: 'fine' | 'holds' | 'tight' | 'over';
  from: number;
  to: number;
  sheets?: number;
}

const MEASURES = {
  stroke: 'strokes hold',
  web: 'mask holds',
  part: 'pieces hold',
  letter: 'letters read',
} as const;
const SAME = 0.05;

const sheets = (count: number) => (count === 1 ? '1 sheet' : `${count} sheets`);

/** Every width at which something changes, in order. */
export function breakpoints(rail: Rail, show: (mm: number) => string): Point[] {
  const least = rail.least.map((one) => ({
    key: one.measure,
    kind: 'least' as const,
    width: Math.ceil(one.width * 10) / 10,
    short: `${MEASURES[one.measure]} ${show(one.width)}`,
    about: `From ${show(one.width)} on: the least now measures ${show(one.measured)}, ${show(one.limit)} is wanted.`,
    at: one.at,
  }));
  const steps = rail.steps.slice(0, -1).map((step) => ({
    key: `sheets-${step.sheets}`,
    kind: 'sheets' as const,
    width: Math.floor(step.width * 10) / 10,
    short: `${sheets(step.sheets)} to ${show(step.width)}`,
    about: `Up to ${show(step.width)} wide ${sheets(step.sheets)} ${step.sheets === 1 ? 'does' : 'do'}.`,
  }));
  const ends = [
    { key: 'margin', kind: 'margin' as const, at: rail.margin, what: 'margins' },
    { key: 'edge', kind: 'edge' as const, at: rail.edge, what: 'edge' },
  ].map(({ key, kind, at, what }) => ({
    key,
    kind,
    width: Math.floor(at * 10) / 10,
    short: `${what} ${show(at)}`,
    about: `Where it stands, the design reaches the blank's ${what} at ${show(at)}.`,
  }));
  return [...least, ...steps, ...ends]
    .filter((point) => point.width >= rail.low && point.width <= rail.high)
    .sort((a, b) => a.width - b.width);
}

const TOO_FINE = { stroke: 'stroke', web: 'mask', part: 'piece', letter: 'letter' } as const;
export const MOST_SPOTS = 12;

/** The places that no size that fits would mend, the worst of each kind first. */
export const spotsIn = (
  rail: Rail,
  show: (mm: number) => string,
): { at: [number, number]; about: string }[] =>
  rail.spots
    .slice(0, MOST_SPOTS)
    .map(({ measure, measured, at }) => ({ at, about: `${TOO_FINE[measure]} of ${show(measured)}` }));

/** What the rail is painted with. */
export function zones(rail: Rail): Zone[] {
  const holds = Math.max(rail.low, Math.min(rail.smallest, rail.high));
  const marked: Zone[] = [];
  if (holds > rail.low) marked.push({ kind: 'fine', from: rail.low, to: holds });
  let from = holds;
  const margin = Math.min(rail.margin, rail.high);
  for (const step of rail.steps) {
    const to = Math.min(step.width, margin);
    if (to <= from) continue;
    marked.push({ kind: 'holds', from, to, sheets: step.sheets });
    from = to;
  }
  const edge = Math.min(rail.edge, rail.high);
  if (edge > from) marked.push({ kind: 'tight', from, to: edge });
  if (rail.high > Math.max(edge, from))
    marked.push({ kind: 'over', from: Math.max(edge, from), to: rail.high });
  return marked;
}

/** What is to be said of a width. */
export function saying(rail: Rail, width: number): string {
  const count =
    rail.steps.find((step) => width <= step.width + SAME)?.sheets ?? rail.steps.at(-1)?.sheets ?? 1;
  const fine = width < rail.smallest - SAME ? 'too fine for this surface, ' : '';
  if (width > rail.edge + SAME) return `${fine}off the blank`;
  if (width > rail.margin + SAME) return `${fine}over the margins, ${sheets(count)}`;
  const aside = rail.spots.length ? ', but for what no size mends' : '';
  return fine ? `${fine}${sheets(count)}` : `holds on ${sheets(count)}${aside}`;
}

/** How far one press of a key moves the width, mm: a step of the maker's unit, or a fine one. */
export const stepOf = (unit: Unit, fine: boolean): number =>
  unit === 'in' ? 25.4 / (fine ? 32 : 8) : fine ? 0.1 : 1;

/** A width a number of steps on, on a whole step. */
export function stepped(width: number, steps: number, step: number): number {
  const at = Math.round(width / step);
  const whole = Math.abs(at * step - width) < step / 50;
  const from = whole ? at : steps > 0 ? Math.floor(width / step) : Math.ceil(width / step);
  return Math.round((from + steps) * step * 1000) / 1000;
}

/** Where a dragged width comes to rest: on a breakpoint within reach. */
export function restAt(width: number, points: Point[], reach: number): number {
  let best = width;
  let nearest = reach;
  for (const point of points) {
    const off = Math.abs(point.width - width);
    if (off < nearest) [best, nearest] = [point.width, off];
  }
  return best;
}
