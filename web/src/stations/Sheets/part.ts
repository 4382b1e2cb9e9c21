import type { Job, Sheets } from '../../lib/api/client';

/** A job with the part of it that belongs to this station. */
export type SheetsJob = Job & { sheets: Sheets };
export const hasSheets = (job: Job): job is SheetsJob => job.sheets !== null;
