/** What the maker waits for: shown when it takes longer than a moment, with how far it is, and stopped on wish. */

export interface Waited {
  going: boolean;
  what: string;
  share: number;
}

/** Waits shorter than this, ms, are not worth a word; after it they are asked about so often. */
const PATIENCE = 1000;
const OFTEN = 400;
const DIGITS = 36;

class Waiting {
  /** Where the longest running wait is; nothing while all answers come at once. */
  now = $state.raw<Waited | null>(null);
  stopping = $state(false);
  #going: string[] = [];
  #timer: ReturnType<typeof setTimeout> | undefined;

  /** Begin to wait; returns the key the request brings, to be given back when it is answered. */
  begin(): string {
    // A random number will do: the key only tells the maker's own requests apart.
    const key = Array.from({ length: 3 }, () => Math.random().toString(DIGITS).slice(2)).join('-');
    this.#going.push(key);
    if (this.#going.length === 1) this.#timer = setTimeout(() => void this.#look(), PATIENCE);
    return key;
  }

  end(key: string): void {
    this.#going = this.#going.filter((one) => one !== key);
    if (this.#going.length) return;
    clearTimeout(this.#timer);
    this.now = null;
    this.stopping = false;
  }

  /** Stop what is waited for; the request answers that it was stopped. */
  stop = async (): Promise<void> => {
    const [key] = this.#going;
    if (!key) return;
    this.stopping = true;
    await fetch(`/api/waits/${key}/stop`, { method: 'POST' }).catch(() => undefined);
  };

  async #look(): Promise<void> {
    const [key] = this.#going;
    if (!key) return;
    const answer = await fetch(`/api/waits/${key}`).catch(() => null);
    const found = answer?.ok ? ((await answer.json().catch(() => null)) as Waited | null) : null;
    if (this.#going[0] === key && found?.going) this.now = found;
    if (this.#going.length) this.#timer = setTimeout(() => void this.#look(), OFTEN);
  }
}

export const waiting = new Waiting();
