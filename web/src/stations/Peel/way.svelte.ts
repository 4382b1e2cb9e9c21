/** Which way each mask comes off; fetched once for every version of a job. */
import * as api from '../../lib/api/client';
import { settings } from '../../lib/settings.svelte';

class Way {
  room = $state.raw<api.PeelRoom | null>(null);
  #asked = '';

  async fetch(job: api.Job): Promise<void> {
    const asked = `${job.id} ${job.version} ${settings.unit}`;
    if (this.#asked === asked) return;
    if (!this.#asked.startsWith(`${job.id} `)) this.room = null;
    this.#asked = asked;
    try {
      const room = await api.getPeel(job.id, settings.unit);
      if (this.#asked === asked) this.room = room;
    } catch {
      // The tasks say how it is peeled; the arrow only shows it.
      this.#asked = '';
    }
  }
}

export const way = new Way();
