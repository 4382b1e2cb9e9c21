import type { OpenJob } from '../../job/open-job.svelte';
import { has, type Job } from '../../lib/api/client';
import { layer, ofMask, type Layer } from '../../lib/picture/layers';
import MarkLayer from '../../lib/picture/MarkLayer.svelte';
import MaskLayer from '../../lib/picture/MaskLayer.svelte';
import NumberLayer from '../../lib/picture/NumberLayer.svelte';
import PeelLayer from '../../lib/picture/PeelLayer.svelte';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import { answered, markingOf, type StationView } from '../station';
import Peel from './Peel.svelte';
import { way } from './way.svelte';

const isOff = (job: Job, mask: number): boolean =>
  job.stations
    .find((station) => station.code === 'peel')
    ?.tasks.some((task) => has(task, 'takes-mask-off') && task.mask === mask && !!task.done_at) ?? false;

/** While the mask lies: the mask and the way it comes off. */
function masked(open: OpenJob, job: Job): Layer[] {
  const mine = way.room?.masks.find((one) => one.number === open.mask);
  const numbers = layer(NumberLayer, {
    pieces: ofMask(job.pieces, open.mask).filter((piece) => piece.is_kept),
    present: answered(job, 'peel'),
    selected: open.selected,
    urgent: isOff(job, open.mask) || (answered(job, 'peel') ?? []).length > 0,
  });
  const off = isOff(job, open.mask);
  return off
    ? [numbers]
    : [
        layer(MaskLayer, { pieces: ofMask(job.pieces, open.mask) }),
        ...(mine ? [layer(PeelLayer, { way: mine })] : []),
        numbers,
      ];
}

/** Once it is off: what is to be touched up. */
function touchUps(open: OpenJob, job: Job): Layer[] {
  const marking = markingOf(job, 'peel', open.mask);
  const pointing = open.marking;
  if (!marking) return [];
  return [
    layer(MarkLayer, {
      marks: marking.marks,
      windows: pointing ? marking.windows : [],
      onpoint: pointing
        ? (at: [number, number]) => void open.mark(pointing.task, pointing.what, at)
        : undefined,
    }),
  ];
}

export const peel: StationView = {
  Panel: Peel,
  room: 'mask',
  back: true,
  layers: (open, job) => [
    layer(PrintLayer, {}),
    ...masked(open, job),
    ...(isOff(job, open.mask) || open.marking ? touchUps(open, job) : []),
  ],
};
