/** Where a thing that is dragged comes to rest: on the nearest line within reach. */
export interface Line {
  at: number;
}

export interface Snapped {
  by: number;
  /** The line it lies on, if any. */
  line: number | null;
}

/**
 * Snap one axis of a move.
 *
 * @param low, high the box's edges before the move, mm
 * @param by the move as the hand has it
 * @param lines what there is to snap to
 * @param reach how near counts, mm
 */
export function snap(low: number, high: number, by: number, lines: Line[], reach: number): Snapped {
  let best: Snapped = { by, line: null };
  let nearest = reach;
  for (const { at } of lines) {
    for (const edge of [low, (low + high) / 2, high]) {
      const off = at - (edge + by);
      if (Math.abs(off) < nearest) {
        nearest = Math.abs(off);
        best = { by: by + off, line: at };
      }
    }
  }
  return best;
}
