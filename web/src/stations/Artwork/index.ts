import ClearLayer from '../../lib/picture/ClearLayer.svelte';
import CollarLayer from '../../lib/picture/CollarLayer.svelte';
import FindingLayer from '../../lib/picture/FindingLayer.svelte';
import { layer } from '../../lib/picture/layers';
import MarginLayer from '../../lib/picture/MarginLayer.svelte';
import OverhangLayer from '../../lib/picture/OverhangLayer.svelte';
import PartHandles from '../../lib/picture/PartHandles.svelte';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import type { StationView } from '../station';
import Artwork from './Artwork.svelte';
import { keys } from './keys';

export const artwork: StationView = {
  Panel: Artwork,
  room: 'print',
  keys,
  inHand: (open) => open.look,
  layers: (open, job) => [
    layer(OverhangLayer, {}),
    layer(PrintLayer, {}),
    layer(MarginLayer, {}),
    layer(CollarLayer, {}),
    layer(ClearLayer, {}),
    layer(PartHandles, {
      parts: job.elements,
      part: open.chosen?.id ?? null,
      others: open.others,
      onpart: (id, more) => (more || open.part !== id) && open.choose(id, more),
      onmove: (id, x, y) => void open.changePart(id, { x, y }),
    }),
    layer(FindingLayer, { findings: job.findings, lookedAt: open.finding }),
  ],
};
