import { layer, ofMask } from '../../lib/picture/layers';
import MaskLayer from '../../lib/picture/MaskLayer.svelte';
import NumberLayer from '../../lib/picture/NumberLayer.svelte';
import { answered, type StationView } from '../station';

export const weed: StationView = {
  room: 'mask',
  layers: (open, job) => {
    const pieces = ofMask(job.pieces, open.mask);
    const kept = pieces.filter((piece) => piece.is_kept);
    return [
      layer(MaskLayer, { pieces }),
      layer(NumberLayer, { pieces: kept, present: answered(job, 'weed'), selected: open.selected }),
    ];
  },
};
