import { layer } from '../../lib/picture/layers';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import type { StationView } from '../station';
import Cure from './Cure.svelte';

export const cure: StationView = {
  Panel: Cure,
  room: 'print',
  layers: () => [layer(PrintLayer, {})],
};
