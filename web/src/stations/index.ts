/** The ten stations in the order of the work. */
import { artwork } from './Artwork';
import { blank } from './Blank';
import { cure } from './Cure';
import { mask } from './Mask';
import { paint } from './Paint';
import { peel } from './Peel';
import { record } from './Record';
import { sheets } from './Sheets';
import type { StationView } from './station';
import { tack } from './Tack';
import { weed } from './Weed';

export const STATIONS: Record<string, StationView> = {
  blank,
  artwork,
  mask,
  sheets,
  weed,
  tack,
  paint,
  peel,
  cure,
  record,
};
