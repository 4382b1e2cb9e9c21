import type { OpenJob } from '../../job/open-job.svelte';
import type { Shortcut } from '../../lib/shortcuts';
import { peeling } from './peeling.svelte';

const HALF = 0.5;

export const keys = (open: OpenJob): Shortcut[] => [
  { keys: ',', about: 'Loose piece before', run: () => open.selectNext(-1) },
  { keys: '.', about: 'Loose piece after', run: () => open.selectNext(1) },
  { keys: 'T', about: 'Bridge the piece: tie it', run: () => open.decideSelected('bridge') },
  { keys: 'K', about: 'Keep the piece', run: () => open.decideSelected('keep') },
  { keys: 'O', about: 'Leave the piece out', run: () => open.decideSelected('leave-out') },
  { keys: 'Delete', about: 'Drop the artwork around the piece', run: () => open.decideSelected('drop') },
  {
    keys: 'M',
    about: 'Take the piece in with others, or leave it out again',
    run: () => void (open.selected !== null && open.pick(open.selected)),
  },
  {
    keys: 'A',
    about: 'One more bridge on the piece',
    run: () => void (open.selected !== null && open.setBridge({ piece: open.selected, slide: 0 })),
  },
  {
    keys: 'R',
    about: 'Peel the mask back, or lay it down',
    run: () => (peeling.share = peeling.share > 0 ? 0 : HALF),
  },
];
