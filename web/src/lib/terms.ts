/** Texts parted at the words of the trade. */
import type { Guide } from './api/client';

type Term = Guide['terms'][number];
/** A stretch of text; with a term it is a word of the trade. */
export interface Part {
  text: string;
  term?: Term;
}

/** A text in parts: each term is set apart where it stands first, in whatever form. */
export function parted(text: string, terms: readonly Term[]): Part[] {
  const byForm = new Map(terms.flatMap((term) => term.forms.map((form) => [form, term] as const)));
  const forms = [...byForm.keys()].sort((a, b) => b.length - a.length);
  if (!forms.length) return [{ text }];
  const seen = new Set<string>();
  const parts: Part[] = [];
  let from = 0;
  for (const found of text.matchAll(new RegExp(`\\b(${forms.join('|')})\\b`, 'gi'))) {
    const term = byForm.get(found[0].toLowerCase());
    if (!term || seen.has(term.word)) continue;
    seen.add(term.word);
    if (found.index > from) parts.push({ text: text.slice(from, found.index) });
    parts.push({ text: found[0], term });
    from = found.index + found[0].length;
  }
  if (from < text.length) parts.push({ text: text.slice(from) });
  return parts;
}
