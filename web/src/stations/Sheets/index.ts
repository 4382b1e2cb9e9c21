import { layer, ofMask } from '../../lib/picture/layers';
import MaskLayer from '../../lib/picture/MaskLayer.svelte';
import PatchLayer from '../../lib/picture/PatchLayer.svelte';
import type { StationView } from '../station';
import { laid } from './laid.svelte';
import Mats from './Mats.svelte';
import Panel from './Panel.svelte';
import WhereLaid from './WhereLaid.svelte';

export const sheets: StationView = {
  Panel,
  Tools: WhereLaid,
  stage: { Stage: Mats, isOn: () => laid.onMat },
  room: 'mask',
  keys: () => [
    {
      keys: 'V',
      about: 'On the cutting mat, or on the blank',
      run: () => (laid.onMat = !laid.onMat),
    },
  ],
  layers: (open, job) => [
    layer(MaskLayer, { pieces: ofMask(job.pieces, open.mask) }),
    layer(PatchLayer, { seams: job.sheets?.seams ?? [] }),
  ],
};
