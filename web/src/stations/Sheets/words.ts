/** Counted things in words. */

/** A count with its noun, in the plural where it needs one. */
export const several = (count: number, noun: string, plural = `${noun}s`): string =>
  `${count} ${count === 1 ? noun : plural}`;

/** What a layout takes. */
export const sheetsAndSeams = (sheets: number, seams: number): string =>
  `${several(sheets, 'sheet')}, ${seams ? several(seams, 'seam') : 'no seam'}`;
