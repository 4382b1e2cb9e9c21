import type { Job, MaskRoom, WeakPlace } from '../../lib/api/client';

/** A job with the part of it that belongs to this station. */
export type MaskJob = Job & { mask: MaskRoom; weak: WeakPlace[] };
export const hasMask = (job: Job): job is MaskJob => job.mask !== null && job.weak !== null;
