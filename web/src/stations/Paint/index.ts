import { layer, ofMask } from '../../lib/picture/layers';
import MaskLayer from '../../lib/picture/MaskLayer.svelte';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import WeakMarks from '../../lib/picture/WeakMarks.svelte';
import type { StationView } from '../station';
import Paint from './Paint.svelte';

export const paint: StationView = {
  Panel: Paint,
  room: 'mask',
  layers: (open, job) => [
    layer(PrintLayer, {}),
    layer(MaskLayer, { pieces: ofMask(job.pieces, open.mask) }),
    // The way to dab along a tongue; a neck is past mending here.
    layer(WeakMarks, {
      places: (job.weak ?? []).filter((place) => place.kind === 'tongue'),
      lookedAt: open.finding,
    }),
  ],
};
