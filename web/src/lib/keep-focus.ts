/**
 * What has the focus may go when it is used: the row that was removed, the button whose work is done. Then the nearest
 * thing around it that is still there takes the focus, so that keys go on from where the maker was.
 */

const REACHED = 'button, a[href], input, select, textarea, summary, [tabindex]';

/**
 * What takes the focus within what is left: the button that leads on, what else can be reached there by the keys, or
 * the whole of it; nothing yet while the button that leads on waits.
 */
function landing(around: HTMLElement): HTMLElement | null {
  const reached = [...around.querySelectorAll<HTMLElement>(REACHED)].filter(
    (one) => !one.hasAttribute('disabled') && one.tabIndex >= 0,
  );
  if (around.querySelector('button.deed[disabled]')) return null;
  const within = reached.find((one) => one.matches('button.deed')) ?? reached[0];
  if (within) return within;
  if (!around.hasAttribute('tabindex')) around.tabIndex = -1;
  return around;
}

/** Watch over the focus within a part of the page; the answer ends it. */
export function keepFocus(root: HTMLElement): () => void {
  /** What had the focus last, and all around it, from inside outwards. */
  let chain: HTMLElement[] = [];

  function remember(event: FocusEvent): void {
    chain = [];
    let one: HTMLElement | null = event.target as HTMLElement;
    while (one && one !== root) {
      chain.push(one);
      one = one.parentElement;
    }
  }
  const isOff = (one: HTMLElement) => one.hasAttribute('disabled');
  /** The maker has gone elsewhere of their own accord: nothing is to be brought back. */
  function forget(): void {
    queueMicrotask(() => {
      const [last] = chain;
      if (last?.isConnected && !isOff(last) && document.activeElement !== last) chain = [];
    });
  }
  function mend(): void {
    const [last] = chain;
    if (!last || document.activeElement !== document.body) return;
    if (last.isConnected) {
      // A button is off while its own work is done.
      if (!isOff(last)) last.focus({ preventScroll: true });
      return;
    }
    const around = chain.find((one) => one.isConnected);
    if (around) landing(around)?.focus({ preventScroll: true });
  }

  root.addEventListener('focusin', remember);
  root.addEventListener('focusout', forget);
  const watch = new MutationObserver(mend);
  watch.observe(root, { childList: true, subtree: true, attributeFilter: ['disabled'] });
  return () => {
    root.removeEventListener('focusin', remember);
    root.removeEventListener('focusout', forget);
    watch.disconnect();
  };
}
