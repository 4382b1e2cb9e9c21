/** The ten stations in the order of the work. */
import type { Room } from '../lib/api/client';
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

export const STATIONS: Record<Room, StationView> = {
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

export const isRoom = (code: string | undefined): code is Room => code !== undefined && code in STATIONS;
