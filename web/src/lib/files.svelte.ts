/** Files fetched in the page: how far each is, and what went wrong with it. */
import { SvelteMap } from 'svelte/reactivity';
import { askForFile } from './api/client';

export interface Delivery {
  /** Still being made or sent. */
  busy: boolean;
  /** How much of it has come, 0 to 1, where that is known. */
  share: number | null;
  problem: string;
  /** What is not in it, and why. */
  leftOut: string;
}

const deliveries = new SvelteMap<string, Delivery>();

/** How a file stands; nothing where it was not asked for. */
export const deliveryOf = (href: string): Delivery | undefined => deliveries.get(href);

const nameIn = (response: Response): string =>
  /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? 'file';

async function bodyOf(response: Response, told: (share: number) => void): Promise<Blob> {
  const length = Number(response.headers.get('Content-Length'));
  const reader = response.body?.getReader();
  if (!reader || !length) return response.blob();
  const parts: Uint8Array<ArrayBuffer>[] = [];
  let had = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    parts.push(value);
    had += value.length;
    told(had / length);
  }
  return new Blob(parts, { type: response.headers.get('Content-Type') ?? '' });
}

function keep(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The browser reads it after the click.
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
}

/** Fetch a file and hand it to the browser to keep; what goes wrong is told where it was asked for. */
export async function fetchFile(href: string): Promise<void> {
  if (deliveries.get(href)?.busy) return;
  const now: Delivery = { busy: true, share: null, problem: '', leftOut: '' };
  deliveries.set(href, now);
  try {
    const response = await askForFile(href);
    const leftOut = decodeURIComponent(response.headers.get('X-Left-Out') ?? '');
    const blob = await bodyOf(response, (share) => deliveries.set(href, { ...now, share }));
    keep(blob, nameIn(response));
    deliveries.set(href, { ...now, busy: false, leftOut });
  } catch (error) {
    deliveries.set(href, { ...now, busy: false, problem: (error as Error).message });
  }
}
