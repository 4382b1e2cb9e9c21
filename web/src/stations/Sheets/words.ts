/** Counted things in words. */

/** A count with its noun, in the plural where it needs one. */
export const several = (count: number, noun: string): string => `${count} ${noun}${count === 1 ? '' : 's'}`;
