import { layer, ofMask } from '../../lib/picture/layers';
import NumberLayer from '../../lib/picture/NumberLayer.svelte';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import { answered, type StationView } from '../station';

export const peel: StationView = {
  room: 'print',
  layers: (open, job) => [
    layer(PrintLayer, {}),
    layer(NumberLayer, {
      pieces: ofMask(job.pieces, open.mask).filter((piece) => piece.is_kept),
      present: answered(job, 'peel'),
      selected: open.selected,
    }),
  ],
};
