/** What the maker writes down of a job, with something changed: photos go their own way. */
import type { Job, RecordEntry } from '../../lib/api/client';

export function written(job: Job, change: Partial<RecordEntry>): RecordEntry {
  const { grade, notes, minutes, used_ml, troubles, looks } = job.record;
  return { grade, notes, minutes, used_ml, troubles, looks, ...change };
}
