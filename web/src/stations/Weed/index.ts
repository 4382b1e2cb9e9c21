import { layer, ofMask } from '../../lib/picture/layers';
import MaskLayer from '../../lib/picture/MaskLayer.svelte';
import NumberLayer from '../../lib/picture/NumberLayer.svelte';
import { answered, type StationView } from '../station';
import Maps from './Maps.svelte';
import { table } from './table.svelte';
import Weed from './Weed.svelte';
import WhereSeen from './WhereSeen.svelte';

export const weed: StationView = {
  Panel: Weed,
  Tools: WhereSeen,
  stage: { Stage: Maps, isOn: () => table.on, tall: true },
  room: 'mask',
  keys: (open) => [
    { keys: 'V', about: 'Sheet and blank, or the blank alone', run: () => (table.on = !table.on) },
    { keys: 'N', about: 'The next part of the sheet', run: () => table.step(1) },
    { keys: 'M', about: 'The part before', run: () => table.step(-1) },
    {
      keys: 'O',
      about: 'Pull it out in the rehearsal, or put it back',
      run: () => void (table.rehearsing && table.part && table.pull(table.part, open)),
    },
    {
      keys: 'R',
      about: 'Begin a rehearsal, or end it',
      run: () => (table.rehearsing ? table.stop() : table.begin()),
    },
  ],
  layers: (open, job) => {
    const pieces = ofMask(job.pieces, open.mask);
    const kept = pieces.filter((piece) => piece.is_kept);
    return [
      layer(MaskLayer, { pieces }),
      layer(NumberLayer, { pieces: kept, present: answered(job, 'weed'), selected: open.selected }),
    ];
  },
};
