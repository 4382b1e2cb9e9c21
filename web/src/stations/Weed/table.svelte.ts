/** The weeding table: which sheet lies on it, what is pointed at, and a rehearsal that is on. */
import type { OpenJob } from '../../job/open-job.svelte';
import * as api from '../../lib/api/client';
import { settings } from '../../lib/settings.svelte';

class Table {
  /** Whether the sheets are shown, and not the blank alone. */
  on = $state(true);
  weed = $state.raw<api.Weed | null>(null);
  problem = $state('');
  /** Which of the sheets, from 0. */
  at = $state(0);
  /** Id of the part that is pointed at, in both pictures and in the walk. */
  chosen = $state<string | null>(null);
  rehearsing = $state(false);
  /** Ids of what was pulled out in the rehearsal. */
  out = $state.raw<string[]>([]);
  slips = $state(0);
  said = $state('');
  #began = 0;
  #asked = '';

  sheet = $derived(this.weed?.sheets[this.at] ?? this.weed?.sheets[0] ?? null);
  /** What goes on this sheet, in the order it is pulled out. */
  walk = $derived(
    (this.sheet?.regions ?? [])
      .filter((region) => region.goes)
      .sort((a, b) => (a.number ?? 0) - (b.number ?? 0)),
  );
  part = $derived(this.sheet?.regions.find((region) => region.id === this.chosen) ?? null);
  left = $derived.by(() => {
    const all = (this.weed?.sheets ?? []).flatMap((sheet) => sheet.regions);
    return all.filter((region) => region.goes && !this.out.includes(region.id)).length;
  });

  /** Fetch the map of a job as it stands; once for every version of it. */
  async fetch(job: api.Job): Promise<void> {
    const asked = `${job.id} ${job.version} ${settings.unit}`;
    if (this.#asked === asked) return;
    if (!this.#asked.startsWith(`${job.id} `)) {
      [this.weed, this.at, this.chosen] = [null, 0, null];
      this.stop();
    }
    this.#asked = asked;
    try {
      const weed = await api.getWeed(job.id, settings.unit);
      if (this.#asked === asked) [this.weed, this.problem] = [weed, ''];
    } catch (error) {
      if (this.#asked !== asked) return;
      this.problem = error instanceof api.Problem ? error.message : 'The map did not come.';
      this.#asked = '';
    }
  }
  /** Point at the next part of this sheet, or the one before. */
  step(by: number): void {
    const parts = this.rehearsing ? (this.sheet?.regions ?? []) : this.walk;
    if (!parts.length) return;
    const here = parts.findIndex((part) => part.id === this.chosen);
    const next = here < 0 ? (by > 0 ? 0 : parts.length - 1) : (here + by + parts.length) % parts.length;
    this.chosen = parts[next]?.id ?? null;
    if (!this.rehearsing) this.said = '';
  }
  begin(): void {
    [this.rehearsing, this.out, this.slips] = [true, [], 0];
    this.said = 'Take out what is to be painted. Everything else stays.';
    this.#began = performance.now();
  }
  stop(): void {
    [this.rehearsing, this.out, this.said] = [false, [], ''];
  }
  /** Pull a part out in the rehearsal, or put it back; point at it otherwise. */
  async pull(region: api.WeedRegion, open: OpenJob): Promise<void> {
    this.chosen = region.id;
    if (!this.rehearsing) return;
    if (this.out.includes(region.id)) {
      this.out = this.out.filter((id) => id !== region.id);
      this.said = `Put back: ${region.name}.`;
      return;
    }
    this.said = region.pulled;
    if (!region.goes) {
      this.slips += 1;
      return;
    }
    this.out = [...this.out, region.id];
    if (this.left) return;
    const seconds = (performance.now() - this.#began) / 1000;
    const slips = this.slips;
    this.rehearsing = false;
    this.out = [];
    this.said = `All out in ${inWords(seconds)}, ${slips === 1 ? '1 wrong pull' : `${slips} wrong pulls`}.`;
    try {
      this.weed = await api.keepRehearsal(open.id, settings.unit, seconds, slips);
    } catch (error) {
      this.problem = error instanceof api.Problem ? error.message : 'The rehearsal could not be kept.';
    }
  }
}

/** Seconds as a maker says them. */
export function inWords(seconds: number): string {
  const whole = Math.max(1, Math.round(seconds));
  return whole < 60 ? `${whole} s` : `${Math.floor(whole / 60)} min ${whole % 60} s`;
}

export const table = new Table();
