/** The axis of time: minutes and weeks on one picture, so that it grows narrower to the right. */

const MINUTE = 60_000;
/** Up to so many minutes are shown nearly as they are. */
const FINE = 15;
const TICKS: [number, string][] = [
  [0, 'begin'],
  [30, '30 min'],
  [120, '2 h'],
  [480, '8 h'],
  [1440, '1 day'],
  [4320, '3 days'],
  [10_080, '1 week'],
  [40_320, '4 weeks'],
];

const bent = (minutes: number): number => Math.log1p(Math.max(minutes, 0) / FINE);

/** Where moments lie from 0 to 1 between a first and a last. */
export function axis(first: number, last: number) {
  const long = Math.max((last - first) / MINUTE, 1);
  return {
    at: (moment: number): number => Math.min(bent((moment - first) / MINUTE) / bent(long), 1),
    ticks: TICKS.filter(([minutes]) => minutes <= long).map(([minutes, name]) => ({
      at: bent(minutes) / bent(long),
      name,
    })),
  };
}
