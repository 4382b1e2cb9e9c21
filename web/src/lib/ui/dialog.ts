import type { Attachment } from 'svelte/attachments';

/**
 * Keep a dialog closed that was closed at once.
 *
 * The browser tells of an opening a moment after it, and the dialog takes that for being open now: an Escape
 * pressed in between would open it again.
 */
export const staysClosed: Attachment<HTMLElement> = (dialog) => {
  const still = (event: Event) => {
    if ((event as ToggleEvent).newState === 'open') event.stopImmediatePropagation();
  };
  dialog.addEventListener('toggle', still, { capture: true });
  return () => dialog.removeEventListener('toggle', still, { capture: true });
};
