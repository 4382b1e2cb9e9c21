/**
 * What a maker types, kept apart from what the workshop answers meanwhile: a field in hand is never written into.
 * With a name, what is not kept yet survives a reload.
 */
export class Typed {
  #own = $state<string | null>(null);
  #held = $state(false);

  constructor(
    readonly kept: () => string,
    readonly name: (() => string) | null = null,
  ) {
    this.#own = this.#stored();
  }

  /** The maker's own text while there is one, else what is kept. */
  get shown(): string {
    return this.#own ?? this.kept();
  }

  /** Whether there is text that is not kept yet. */
  get waits(): boolean {
    return this.#own !== null && this.#own !== this.kept();
  }

  hold = (): void => void (this.#held = true);

  type(text: string): void {
    this.#own = text;
    if (this.name) sessionStorage.setItem(this.name(), text);
  }

  /** The field is left: once what was typed is kept, what is kept is shown again. */
  async leave(keeping?: unknown): Promise<void> {
    this.#held = false;
    const mine = this.#own;
    // What was refused stays in the field: it can be mended, or sent again.
    if ((await keeping) === false) return;
    if (this.#held || this.#own !== mine) return;
    this.drop();
  }

  /** Forget what was typed. */
  drop(): void {
    this.#own = null;
    if (this.name) sessionStorage.removeItem(this.name());
  }

  #stored(): string | null {
    return this.name ? sessionStorage.getItem(this.name()) : null;
  }
}
