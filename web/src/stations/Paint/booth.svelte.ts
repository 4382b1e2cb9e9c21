/** Where it is painted: the stack, paints held against the job, how each coating goes on, the weather. */
import * as api from '../../lib/api/client';
import { settings } from '../../lib/settings.svelte';

class Booth {
  room = $state.raw<api.PaintRoom | null>(null);
  forecast = $state.raw<api.Forecast | null>(null);
  problem = $state('');
  #asked = '';

  /** Fetch what stands beside the picture; once for every version of a job. */
  async fetch(job: api.Job): Promise<void> {
    const asked = `${job.id} ${job.version} ${settings.unit}`;
    if (this.#asked === asked) return;
    if (!this.#asked.startsWith(`${job.id} `)) [this.room, this.forecast] = [null, null];
    this.#asked = asked;
    try {
      const room = await api.getPaint(job.id, settings.unit);
      if (this.#asked === asked) [this.room, this.problem] = [room, ''];
    } catch (error) {
      if (this.#asked !== asked) return;
      this.problem = error instanceof api.Problem ? error.message : 'The paint plan could not be loaded.';
      this.#asked = '';
    }
  }

  /** Ask what the weather will be. */
  async foresee(id: number): Promise<void> {
    try {
      this.forecast = await api.getWeather(id, settings.unit);
    } catch (error) {
      this.problem = error instanceof api.Problem ? error.message : 'The forecast could not be loaded.';
    }
  }
}

export const booth = new Booth();
