/** The drying rack: what happened to a copy and what will, fetched whenever the job or its log has moved. */
import * as api from '../../lib/api/client';
import { settings } from '../../lib/settings.svelte';

class Rack {
  room = $state.raw<api.CureRoom | null>(null);
  problem = $state('');
  #job = 0;

  async fetch(job: api.Job): Promise<void> {
    if (this.#job !== job.id) this.room = null;
    this.#job = job.id;
    try {
      const room = await api.getCure(job.id, settings.unit, job.copy_no);
      if (this.#job === job.id) [this.room, this.problem] = [room, ''];
    } catch (error) {
      this.problem = error instanceof api.Problem ? error.message : 'The times could not be loaded.';
    }
  }
}

export const rack = new Rack();
