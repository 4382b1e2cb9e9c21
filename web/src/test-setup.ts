import { cleanup } from '@testing-library/svelte';
// Lengths in tests are metric, wherever they run.
Object.defineProperty(navigator, 'language', { value: 'en-GB', configurable: true });
import { afterEach, vi } from 'vitest';

// The browser under test draws nothing and measures nothing.
vi.stubGlobal('matchMedia', (query: string) => ({
  matches: false,
  media: query,
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
}));
vi.stubGlobal(
  'ResizeObserver',
  class {
    observe = () => undefined;
    unobserve = () => undefined;
    disconnect = () => undefined;
  },
);

Element.prototype.scrollTo = () => undefined;

afterEach(cleanup);
