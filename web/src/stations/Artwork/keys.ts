import type { OpenJob } from '../../job/open-job.svelte';
import { settings } from '../../lib/settings.svelte';
import type { Shortcut } from '../../lib/shortcuts';

const ARROWS = [
  ['ArrowLeft', -1, 0],
  ['ArrowRight', 1, 0],
  ['ArrowUp', 0, -1],
  ['ArrowDown', 0, 1],
] as const;

/** An arrow moves by a mm, or a sixteenth of an inch; with Shift by ten times that, or half an inch. */
function nudges(open: OpenJob): Shortcut[] {
  const [step, far] = settings.unit === 'in' ? [25.4 / 16, 8] : [1, 10];
  return ARROWS.flatMap(([key, across, down], index) =>
    [
      [key, step],
      [`Shift ${key}`, step * far],
    ].map(([keys, by], held) => ({
      keys: String(keys),
      about: 'Move the part: an arrow a little, with Shift further',
      shown: index + held === 0 ? 'Arrows' : null,
      run: () => open.nudge(across * Number(by), down * Number(by)),
    })),
  );
}

export const keys = (open: OpenJob): Shortcut[] => [
  { keys: ',', about: 'Part of the design before', run: () => open.choosePart(-1) },
  { keys: '.', about: 'Part of the design after', run: () => open.choosePart(1) },
  ...nudges(open),
  { keys: 'C', about: 'Copy the part', run: () => void (open.chosen && open.copyPart(open.chosen.id)) },
  {
    keys: 'Delete',
    about: 'Remove the part',
    run: () => void (open.chosen && open.dropPart(open.chosen.id)),
  },
  { keys: 'F', about: 'Fill the blank up to its margins', run: () => void open.fit() },
];
