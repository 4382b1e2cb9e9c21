/** What the log tells of a job by itself, asked anew whenever the job or its log has moved. */
import * as api from '../../lib/api/client';
import { settings } from '../../lib/settings.svelte';

class Told {
  #happened = $state.raw<api.Happened | null>(null);
  problem = $state('');
  #job = $state(0);

  /** What is told of a job; null while it is on its way. */
  of(job: api.Job): api.Happened | null {
    return this.#job === job.id ? this.#happened : null;
  }

  async fetch(job: api.Job): Promise<void> {
    if (this.#job !== job.id) this.#happened = null;
    this.#job = job.id;
    try {
      const happened = await api.getHappened(job.id, settings.unit);
      if (this.#job === job.id) [this.#happened, this.problem] = [happened, ''];
    } catch (error) {
      this.problem = error instanceof api.Problem ? error.message : 'What happened could not be loaded.';
    }
  }
}

export const told = new Told();
