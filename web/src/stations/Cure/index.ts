import { layer } from '../../lib/picture/layers';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import type { StationView } from '../station';

export const cure: StationView = { room: 'print', layers: () => [layer(PrintLayer, {})] };
