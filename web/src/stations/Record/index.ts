import { layer } from '../../lib/picture/layers';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import type { StationView } from '../station';
import Record from './Record.svelte';

export const record: StationView = {
  Panel: Record,
  room: 'print',
  wide: true,
  layers: () => [layer(PrintLayer, {})],
};
