import ClearLayer from '../../lib/picture/ClearLayer.svelte';
import BridgeHandles from '../../lib/picture/BridgeHandles.svelte';
import { layer, ofMask } from '../../lib/picture/layers';
import MaskLayer from '../../lib/picture/MaskLayer.svelte';
import NumberLayer from '../../lib/picture/NumberLayer.svelte';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import WeakMarks from '../../lib/picture/WeakMarks.svelte';
import type { StationView } from '../station';
import { keys } from './keys';
import Panel from './Panel.svelte';
import { peeling } from './peeling.svelte';
import PeelBack from './PeelBack.svelte';

export const mask: StationView = {
  Panel,
  Tools: PeelBack,
  room: 'mask',
  keys,
  layers: (open, job) => {
    const pieces = ofMask(job.pieces, open.mask);
    return [
      ...(peeling.share > 0 ? [layer(PrintLayer, {})] : []),
      layer(MaskLayer, { pieces, peeled: peeling.share, hand: open.hand }),
      layer(ClearLayer, {}),
      layer(WeakMarks, { places: job.weak ?? [], lookedAt: open.finding }),
      layer(NumberLayer, { pieces, selected: open.selected, onselect: (number) => open.select(number) }),
      layer(BridgeHandles, {
        piece: open.selected,
        hand: open.hand,
        ongrip: (held) => open.grip(held),
        ondrag: (move) => open.dragBridge(move),
        onput: (move) => void open.putBridge(move),
      }),
    ];
  },
};
