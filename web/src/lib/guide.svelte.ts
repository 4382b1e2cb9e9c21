/** The guide, asked for once, and which of its words the maker has looked up here. */
import type { Guide } from './api/client';
import { getGuide } from './api/client';
import { parted, type Part } from './terms';

const KEPT = 'dunestead.words-known';

function known(): string[] {
  try {
    return (localStorage.getItem(KEPT) ?? '').split('|').filter(Boolean);
  } catch {
    return [];
  }
}

class Words {
  guide = $state.raw<Guide | null>(null);
  known = $state.raw<string[]>(known());
  #asked = false;

  /** Ask for it, once; the page does without where there is no answer. */
  ask(): void {
    if (this.#asked) return;
    this.#asked = true;
    getGuide().then(
      (found) => (this.guide = found),
      () => (this.#asked = false),
    );
  }

  /** A word that was looked up is not offered any more. */
  learn(word: string): void {
    this.known = [...this.known, word];
    try {
      localStorage.setItem(KEPT, this.known.join('|'));
    } catch {
      // A browser that keeps nothing offers it again.
    }
  }

  /** A text parted where words stand that were not looked up yet, each at its first place only. */
  parted(text: string): Part[] {
    const open = (this.guide?.terms ?? []).filter((term) => !this.known.includes(term.word));
    return parted(text, open);
  }
}

export const words = new Words();
