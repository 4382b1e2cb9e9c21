/** What happens to a loose piece, in words. */
import type { Fate } from '../api/client';

export const FATES: { fate: Fate; verb: string; word: string; about: string }[] = [
  {
    fate: 'bridge',
    verb: 'Bridge',
    word: 'bridged',
    about: 'A strip of mask holds it; leaves a small gap in the paint.',
  },
  {
    fate: 'keep',
    verb: 'Keep',
    word: 'kept',
    about: 'Placed by hand; the best look, and one more thing to lose.',
  },
  { fate: 'leave-out', verb: 'Leave out', word: 'left out', about: 'Its place is painted solid.' },
  {
    fate: 'drop',
    verb: 'Drop',
    word: 'dropped',
    about: 'The artwork around it is not painted at all.',
  },
];

export function fateWord(fate: Fate | null | undefined): string {
  return FATES.find((entry) => entry.fate === fate)?.word ?? 'undecided';
}
