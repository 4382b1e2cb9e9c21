/** The job that was begun last, until its page is there: its main button then takes the keys. */
let begun: number | null = null;

export const announce = (job: number): void => void (begun = job);

/** Whether a job was begun just now; asked once. */
export function isNew(job: number): boolean {
  const its = begun === job;
  if (its) begun = null;
  return its;
}
