/** What the workshop works with, kept for all jobs: what it cuts and presses with, and its tools. */
import { getWorkshop, Problem, setKit } from '../lib/api/client';
import type { Catalogue } from '../lib/api/client';

/** The tools that two of the questions are about. */
const PLATE = 'plate';
const OUTDOORS = 'outdoors';
export const NO_PLATE = '';

export class Kit {
  owned = $state.raw<string[] | null>(null);
  cutter = $state<string | null>(null);
  press = $state<string | null>(null);
  problem = $state('');

  async look(): Promise<void> {
    try {
      ({ owned: this.owned, cutter: this.cutter, press: this.press } = await getWorkshop());
    } catch {
      // What is usual is offered then.
    }
  }

  has = (key: string): boolean => this.owned === null || this.owned.includes(key);
  /** The plate there is, or that there is none. */
  plate = (usual: string): string => (this.has(PLATE) ? (this.press ?? usual) : NO_PLATE);
  isOutdoors = (): boolean => this.has(OUTDOORS);

  async keep(
    catalogue: Catalogue,
    entries: { cutter?: string; plate?: string; tools?: Record<string, boolean> },
  ): Promise<boolean> {
    const { cutter = this.cutter, plate, tools = {} } = entries;
    const wanted: Record<string, boolean> = {
      ...tools,
      ...(plate === undefined ? {} : { [PLATE]: plate !== NO_PLATE }),
    };
    const owned = catalogue.tools.map(([key]) => key).filter((key) => wanted[key] ?? this.has(key));
    try {
      const kept = await setKit({ owned, cutter, press: plate || this.press });
      ({ owned: this.owned, cutter: this.cutter, press: this.press } = kept);
      this.problem = '';
      return true;
    } catch (error) {
      this.problem = error instanceof Problem ? error.message : 'It could not be saved.';
      return false;
    }
  }
}
