/** A record's own entries, without its number and names the workshop adds. */
import type { OwnCutter, OwnStock } from '../../lib/api/client';

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

export const stockEntries = (of: OwnStock): OwnStock => ({
  name: of.name,
  material: of.material,
  width: of.width,
  length: of.length,
  is_roll: of.is_roll,
  count: of.count,
  colour: of.colour,
});
