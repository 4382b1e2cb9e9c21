import ClearLayer from '../../lib/picture/ClearLayer.svelte';
import CollarLayer from '../../lib/picture/CollarLayer.svelte';
import { layer } from '../../lib/picture/layers';
import MarginLayer from '../../lib/picture/MarginLayer.svelte';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import type { StationView } from '../station';
import Blank from './Blank.svelte';

export const blank: StationView = {
  Panel: Blank,
  room: 'print',
  layers: () => [
    layer(PrintLayer, {}),
    layer(MarginLayer, {}),
    layer(CollarLayer, {}),
    layer(ClearLayer, {}),
  ],
};
