/** A record's own entries, without its number and names the workshop adds. */
import type { OwnCutter } from '../../lib/api/client';

export const cutterEntries = (of: OwnCutter): OwnCutter => ({
  name: of.name,
  feeds: of.feeds,
  reach_width: of.reach_width,
  reach_length: of.reach_length,
  slowest: of.slowest,
  fastest: of.fastest,
  acceleration: of.acceleration,
  lift: of.lift,
  force_low: of.force_low,
  force: of.force,
});
