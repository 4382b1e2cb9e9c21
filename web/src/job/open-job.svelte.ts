/** One job on the screen: what the workshop last said of it, and every change a maker can make. */
import * as api from '../lib/api/client';
import { settings } from '../lib/settings.svelte';

export class OpenJob {
  job = $state.raw<api.Job | null>(null);
  problem = $state.raw<api.Problem | null>(null);
  /** How many answers are awaited. */
  busy = $state(0);
  selected = $state<number | null>(null);
  #asked = 0;
  #turn: Promise<void> = Promise.resolve();

  constructor(readonly id: number) {}

  load = () => this.#ask(() => api.getJob(this.id, settings.unit));
  change = (entries: api.JobChange) => this.#ask(() => api.changeJob(this.id, settings.unit, entries));
  decide = (numbers: number[] | null, fate: api.Fate | null) =>
    this.#ask(() => api.setFates(this.id, settings.unit, numbers, fate));
  tick = (code: string, done: boolean) => this.#ask(() => api.setTick(this.id, settings.unit, code, done));
  call = (numbers: number[] | null, call: api.Call, done: boolean) =>
    this.#ask(() => api.setCalls(this.id, settings.unit, numbers, call, done));
  record = (entry: api.RecordEntry) => this.#ask(() => api.setRecord(this.id, settings.unit, entry));
  undo = () => (this.job?.history.undo ? this.#ask(() => api.undo(this.id, settings.unit)) : undefined);
  redo = () => (this.job?.history.redo ? this.#ask(() => api.redo(this.id, settings.unit)) : undefined);

  /** Tick the next thing off. */
  tickNext = () => (this.job?.next_step ? this.tick(this.job.next_step.code, true) : undefined);

  /** Step to another loose piece, round and round. */
  selectNext(by: number): void {
    const numbers = this.job?.pieces.map((piece) => piece.number) ?? [];
    if (!numbers.length) return;
    const at = this.selected === null ? -1 : numbers.indexOf(this.selected);
    const next = at < 0 ? (by > 0 ? 0 : numbers.length - 1) : (at + by + numbers.length) % numbers.length;
    this.selected = numbers[next] ?? null;
  }

  decideSelected(fate: api.Fate): void {
    if (this.selected !== null) void this.decide([this.selected], fate);
  }

  /**
   * Ask the workshop, one question after the other, so that quick fingers never change a job twice at
   * once; an answer that a later question overtook is dropped.
   */
  async #ask(question: () => Promise<api.Job>): Promise<void> {
    const mine = ++this.#asked;
    this.busy++;
    const before = this.#turn;
    let done = (): void => undefined;
    this.#turn = new Promise((resolve) => (done = resolve));
    try {
      await before;
      const job = await question();
      if (mine !== this.#asked) return;
      this.job = job;
      this.problem = null;
    } catch (error) {
      if (mine !== this.#asked) return;
      this.problem =
        error instanceof api.Problem ? error : new api.Problem('Something went wrong.', 'Try again.');
    } finally {
      done();
      this.busy--;
    }
  }
}
