import { getContext, setContext } from 'svelte';
import type { Catalogue, Unit } from './api/client';
import { showLength } from './units';

export type Limit = Catalogue['limits'][string];
type Known = () => Catalogue['limits'] | undefined;

/** Where a page's fields find the limits. */
export const LIMITS = Symbol('limits');

/** Let the fields of a page know what their entries may be. */
export const shareLimits = (known: Known) => void setContext(LIMITS, known);

/** What an entry may be, such as `repeat.across`; nothing while the catalogue is on its way. */
export function useLimits(): (entry: string | undefined) => Limit | undefined {
  const known = getContext<Known | undefined>(LIMITS);
  return (entry) => (entry === undefined ? undefined : known?.()?.[entry]);
}

/** The sentence for a length beyond its limit, empty when it is within. */
export function beyond(mm: number, limit: Limit | undefined, unit: Unit): string {
  if (!limit || (mm >= limit.least && mm <= limit.most)) return '';
  return `Enter ${showLength(limit.least, unit)} to ${showLength(limit.most, unit)}.`;
}

/** The sentence for a number that is none, is beyond its limit, or is not whole where it must be; else empty. */
export function outside(number: number | null, limit: Limit | undefined): string {
  if (!limit) return number === null ? 'Enter a number.' : '';
  const whole = limit.step === 1 && !limit.unit;
  const said = `Enter ${whole ? 'a whole number, ' : ''}${limit.least} to ${limit.most}.`;
  if (number === null || number < limit.least || number > limit.most) return said;
  return whole && !Number.isInteger(number) ? said : '';
}
