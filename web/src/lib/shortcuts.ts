/** Keys that work anywhere but in an entry field. */
export interface Shortcut {
  /** As shown to the maker, such as `Ctrl Z`. */
  keys: string;
  about: string;
  /** Shown in place of the keys, for the first of a row of keys; null leaves the others out of the list. */
  shown?: string | null;
  run: () => void;
}

const TYPING = 'input:not([type="checkbox"]), textarea, select, [contenteditable]';

/** The key pressed, written the way shortcuts are. */
export function pressed(event: KeyboardEvent): string {
  const key = event.key.length === 1 && event.key !== '?' ? event.key.toUpperCase() : event.key;
  // Where a sign needs Shift differs from layout to layout: what counts is the sign.
  const isSign = key.length === 1 && !/[A-Z0-9 ]/.test(key);
  const held = [
    event.ctrlKey || event.metaKey ? 'Ctrl' : '',
    event.shiftKey && key !== '?' && !isSign ? 'Shift' : '',
  ];
  return [...held, key].filter(Boolean).join(' ');
}

/** Run the shortcut of a key press, if there is one and nobody is typing; single letters and figures may be off. */
export function handle(event: KeyboardEvent, shortcuts: Shortcut[], letters = true): void {
  const target = event.target as Element | null;
  if (event.altKey || event.defaultPrevented) return;
  if (target?.closest(TYPING) || document.querySelector('dialog[open]')) return;
  const found = shortcuts.find((shortcut) => shortcut.keys === pressed(event));
  if (!found || (!letters && /^[A-Z0-9]$/.test(found.keys))) return;
  event.preventDefault();
  found.run();
}
