import ClearLayer from '../../lib/picture/ClearLayer.svelte';
import CoverLayer from '../../lib/picture/CoverLayer.svelte';
import { layer, ofMask, type Layer } from '../../lib/picture/layers';
import MaskLayer from '../../lib/picture/MaskLayer.svelte';
import NumberLayer from '../../lib/picture/NumberLayer.svelte';
import PatchLayer from '../../lib/picture/PatchLayer.svelte';
import PinLayer from '../../lib/picture/PinLayer.svelte';
import PlacementLayer from '../../lib/picture/PlacementLayer.svelte';
import TapeLayer from '../../lib/picture/TapeLayer.svelte';
import { has, type Job, type Task } from '../../lib/api/client';
import { answered, type StationView, taskShown } from '../station';
import Tack from './Tack.svelte';

type Shown = Task['shows'][number];

/** What a step's picture shows over the mask, by the layers its kind names. */
const layers: Record<Shown, (job: Job, task: Task, mask: number) => Layer> = {
  distances: () => layer(TapeLayer, {}),
  keepers: (job, _, mask) => keepers(job, mask),
  seams: () => layer(PatchLayer, { seams: [] }),
  rests: (_, task) => rests(task, has(task, 'presses-again') ? -1 : 0),
  'corner-pins': () => layer(PinLayer, { only: 'corner' }),
  pins: () => layer(PinLayer, {}),
  cover: () => layer(CoverLayer, {}),
};
const rests = (task: Task, pass: number): Layer =>
  layer(PlacementLayer, {
    pass,
    pressed: Object.keys(task.call?.answered ?? {}).map(Number),
    lifted: task.call?.lifted ?? [],
  });
const keepers = (job: Job, mask: number): Layer =>
  layer(NumberLayer, {
    pieces: ofMask(job.pieces, mask).filter((piece) => piece.is_kept),
    present: answered(job, 'tack'),
  });

export const tack: StationView = {
  Panel: Tack,
  room: 'mask',
  back: true,
  byTask: true,
  layers: (open, job) => {
    const task = taskShown(open, job, 'tack');
    const own = task?.shows.map((shown) => layers[shown](job, task, open.mask)) ?? [];
    return [layer(MaskLayer, { pieces: ofMask(job.pieces, open.mask) }), layer(ClearLayer, {}), ...own];
  },
};
