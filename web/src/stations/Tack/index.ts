import ClearLayer from '../../lib/picture/ClearLayer.svelte';
import { layer, ofMask } from '../../lib/picture/layers';
import MaskLayer from '../../lib/picture/MaskLayer.svelte';
import NumberLayer from '../../lib/picture/NumberLayer.svelte';
import PinLayer from '../../lib/picture/PinLayer.svelte';
import PlacementLayer from '../../lib/picture/PlacementLayer.svelte';
import TapeLayer from '../../lib/picture/TapeLayer.svelte';
import { answered, type StationView } from '../station';
import Tack from './Tack.svelte';

export const tack: StationView = {
  Panel: Tack,
  room: 'mask',
  back: true,
  layers: (open, job) => {
    const pieces = ofMask(job.pieces, open.mask);
    const kept = pieces.filter((piece) => piece.is_kept);
    return [
      layer(MaskLayer, { pieces }),
      layer(ClearLayer, {}),
      layer(PlacementLayer, {}),
      layer(TapeLayer, {}),
      layer(PinLayer, {}),
      layer(NumberLayer, { pieces: kept, present: answered(job, 'tack'), selected: open.selected }),
    ];
  },
};
