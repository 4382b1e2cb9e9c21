import ClearLayer from '../../lib/picture/ClearLayer.svelte';
import CoverLayer from '../../lib/picture/CoverLayer.svelte';
import { layer, ofMask, type Layer } from '../../lib/picture/layers';
import MaskLayer from '../../lib/picture/MaskLayer.svelte';
import NumberLayer from '../../lib/picture/NumberLayer.svelte';
import PatchLayer from '../../lib/picture/PatchLayer.svelte';
import PinLayer from '../../lib/picture/PinLayer.svelte';
import PlacementLayer from '../../lib/picture/PlacementLayer.svelte';
import TapeLayer from '../../lib/picture/TapeLayer.svelte';
import type { Job, Task } from '../../lib/api/client';
import { answered, type StationView, taskShown } from '../station';
import Tack from './Tack.svelte';

/** What a task's own marks are; other tasks show the mask alone. */
const marks: Record<string, (job: Job, task: Task, mask: number) => Layer[]> = {
  'tack-lay': () => [layer(TapeLayer, {})],
  'tack-lay-groups': (job, _, mask) => [layer(TapeLayer, {}), keepers(job, mask)],
  'tack-seam': () => [layer(PatchLayer, { seams: [] })],
  'tack-press': (_, task) => [rests(task, 0)],
  'tack-press-again': (_, task) => [rests(task, -1)],
  'tack-place': (job, _, mask) => [keepers(job, mask)],
  'tack-guide-in': (job, _, mask) => [keepers(job, mask)],
  'tack-pin-corners': () => [layer(PinLayer, { only: 'corner' })],
  'tack-pins': () => [layer(PinLayer, {})],
  'tack-cover': () => [layer(CoverLayer, {})],
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
  wide: true,
  back: true,
  byTask: true,
  layers: (open, job) => {
    const task = taskShown(open, job, 'tack');
    const own = task ? (marks[task.code]?.(job, task, open.mask) ?? []) : [];
    return [layer(MaskLayer, { pieces: ofMask(job.pieces, open.mask) }), layer(ClearLayer, {}), ...own];
  },
};
