import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import type { Job, Room, Task, WeakPlace } from '../lib/api/client';
import { OpenJob } from '../job/open-job.svelte';
import MaskLayer from '../lib/picture/MaskLayer.svelte';
import NumberLayer from '../lib/picture/NumberLayer.svelte';
import PlacementLayer from '../lib/picture/PlacementLayer.svelte';
import PrintLayer from '../lib/picture/PrintLayer.svelte';
import WeakMarks from '../lib/picture/WeakMarks.svelte';
import { STATIONS } from '.';
import { peeling } from './Mask/peeling.svelte';
import PeelBack from './Mask/PeelBack.svelte';
import { answered } from './station';

const weak = (['neck', 'tongue'] as const).map((kind) => ({ kind, mask: 1 }) as WeakPlace);
const call = { numbers: [1, 2], of: 'keepers', answered: { '2': '2026-05-10T12:00:00Z' }, counts: [] };
const rests = { ...call, of: 'placements', answered: { '1': '2026-05-10T12:00:00Z' }, lifted: [] };
const job = {
  elements: [],
  pieces: [
    { number: 1, mask: 1, is_kept: true },
    { number: 2, mask: 1, is_kept: false },
    { number: 3, mask: 2, is_kept: true },
  ],
  findings: [],
  weak,
  sheets: { seams: [] },
  coatings: [{ mask: 1, is_sprayed: false }],
  stations: [
    {
      code: 'tack',
      tasks: [
        { id: 'tack-press/m1', shows: ['rests'], traits: ['presses'], call: rests, done_at: null, mask: 1 },
        { id: 'tack-place/m1', shows: ['keepers'], traits: [], call, done_at: null },
      ],
    },
    { code: 'weed', tasks: [] },
  ],
} as unknown as Job;
function shown(code: Room, task: string | null = null) {
  const open = new OpenJob(1);
  open.shown = task;
  return STATIONS[code]?.layers(open, job) ?? [];
}
const propsOf = (code: Room, of: unknown, task: string | null = null) =>
  shown(code, task).find((one) => one.of === of)?.props;

describe('what each station brings', () => {
  it('knows all ten, in the order of the work, with a key for each', () => {
    expect(Object.keys(STATIONS)).toEqual(
      'blank artwork mask sheets weed tack paint peel cure record'.split(' '),
    );
  });

  it('points along tongues only where it is painted, and at necks too where the mask is made', () => {
    expect(propsOf('paint', WeakMarks)).toMatchObject({ places: [{ kind: 'tongue' }] });
    expect(propsOf('mask', WeakMarks)).toMatchObject({ places: weak });
  });

  it('points along no tongue where all is sprayed: only a brush lifts one', () => {
    const sprayed = { ...job, coatings: [{ mask: 1, is_sprayed: true }] } as unknown as Job;
    const marks = STATIONS.paint?.layers(new OpenJob(1), sprayed).find((one) => one.of === WeakMarks);

    expect(marks?.props).toMatchObject({ places: [] });
  });

  it('numbers the kept pieces of the mask that is shown, and who answered the call that is on', () => {
    expect(propsOf('tack', NumberLayer, 'tack-place/m1')).toMatchObject({
      pieces: [{ number: 1 }],
      // Rests that are pressed are no keepers that have answered.
      present: [2],
    });
    expect(answered(job, 'weed')).toBeNull();
  });

  it('shows the marks of one task at a time: of the next, or of the one that is chosen', () => {
    expect(propsOf('tack', PlacementLayer)).toMatchObject({ pressed: [1] });
    expect(propsOf('tack', NumberLayer)).toBeUndefined();
    expect(propsOf('tack', PlacementLayer, 'tack-place/m1')).toBeUndefined();

    // A task of another mask brings that mask with it, and the picture goes on once it is done.
    const open = new OpenJob(1);
    open.show({ id: 'tack-pins/m2', mask: 2 } as Task);
    expect([open.shown, open.mask]).toEqual(['tack-pins/m2', 2]);
  });

  it('shows the print under a mask that is peeled back, and lays it down for whoever comes back', () => {
    expect(propsOf('mask', PrintLayer)).toBeUndefined();
    const { unmount } = render(PeelBack, { print: false });
    peeling.share = 0.5;
    expect(
      shown('mask')
        .map((one) => one.of)
        .slice(0, 2),
    ).toEqual([PrintLayer, MaskLayer]);
    expect(propsOf('mask', MaskLayer)).toMatchObject({ peeled: 0.5 });

    unmount();
    expect(peeling.share).toBe(0);
  });

  it('gives no two things one key at a station', () => {
    for (const view of Object.values(STATIONS)) {
      const keys = (view.keys?.(new OpenJob(1)) ?? []).map((shortcut) => shortcut.keys);
      expect(new Set(keys).size).toBe(keys.length);
    }
  });
});
