import { layer } from '../../lib/picture/layers';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import type { StationView } from '../station';
import Looks from './Looks.svelte';
import Record from './Record.svelte';
import Teaches from './Teaches.svelte';

export const record: StationView = {
  Panel: Record,
  Records: Teaches,
  room: 'print',
  layers: () => [layer(PrintLayer, {})],
  stage: { Stage: Looks, isOn: () => true },
};
