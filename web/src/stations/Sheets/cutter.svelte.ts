/** The cutter as this page sees it: what is queued, and how far it is. Asked for while something moves. */
import * as api from '../../lib/api/client';

const EVERY_MS = 400;

export class CutterWatch {
  runs = $state.raw<api.CutRun[]>([]);
  problem = $state.raw<api.Problem | null>(null);
  #timer: ReturnType<typeof setTimeout> | undefined;
  #gone = false;

  /** Look, and go on looking while a knife moves. */
  look = (): Promise<void> => this.#take(api.getCutter);
  send = (job: number, sheet: number, fault: api.CutFault | null, anyway: boolean) =>
    this.#take(() => api.sendSheet(job, sheet, fault, anyway));
  steer = (run: number, act: 'start' | 'pause' | 'stop') => this.#take(() => api.steerCutter(run, act));
  clear = (run: number) => this.#take(() => api.clearRun(run));

  leave(): void {
    this.#gone = true;
    clearTimeout(this.#timer);
  }

  async #take(question: () => Promise<{ runs: api.CutRun[] }>): Promise<void> {
    clearTimeout(this.#timer);
    try {
      this.runs = (await question()).runs;
      this.problem = null;
    } catch (error) {
      if (error instanceof api.Problem) this.problem = error;
    }
    if (!this.#gone && this.runs.some((run) => run.state === 'cutting')) {
      this.#timer = setTimeout(() => void this.look(), EVERY_MS);
    }
  }
}
