import type { OpenJob } from '../../job/open-job.svelte';
import type { Job } from '../../lib/api/client';
import { layer, ofMask, type Layer } from '../../lib/picture/layers';
import MarkLayer from '../../lib/picture/MarkLayer.svelte';
import MaskLayer from '../../lib/picture/MaskLayer.svelte';
import PrintLayer from '../../lib/picture/PrintLayer.svelte';
import WeakMarks from '../../lib/picture/WeakMarks.svelte';
import { markingOf, type StationView } from '../station';
import Paint from './Paint.svelte';
import PaintRecords from './PaintRecords.svelte';

/** Whether anything goes through the mask by brush: only that can lift a tongue. */
const isBrushed = (job: Job, mask: number): boolean =>
  job.coatings.some((coat) => coat.mask === mask && !coat.is_sprayed);

/** While everything is looked over, what is marked; else the way to dab along a tongue: a neck is past mending here. */
function marks(open: OpenJob, job: Job): Layer {
  const marking = markingOf(job, 'paint', open.mask);
  const pointing = open.marking;
  return marking && (pointing || marking.marks.length)
    ? layer(MarkLayer, {
        marks: marking.marks,
        windows: pointing ? marking.windows : [],
        onpoint: pointing
          ? (at: [number, number]) => void open.mark(pointing.task, pointing.what, at)
          : undefined,
      })
    : layer(WeakMarks, {
        places: (job.weak ?? []).filter((place) => place.kind === 'tongue' && isBrushed(job, open.mask)),
        lookedAt: open.finding,
      });
}

export const paint: StationView = {
  Panel: Paint,
  room: 'mask',
  Records: PaintRecords,
  layers: (open, job) => [
    layer(PrintLayer, {}),
    layer(MaskLayer, { pieces: ofMask(job.pieces, open.mask) }),
    marks(open, job),
  ],
};
