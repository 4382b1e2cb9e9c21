import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { waiting } from '../waiting.svelte';
import WaitingCard from './WaitingCard.svelte';

describe('waiting', () => {
  const asked = vi.fn();

  beforeEach(() => {
    vi.useFakeTimers();
    asked.mockImplementation((address: string) =>
      Promise.resolve({
        ok: true,
        json: () =>
          Promise.resolve({ going: !address.endsWith('/stop'), what: 'Laying bridges', share: 0.4 }),
      }),
    );
    vi.stubGlobal('fetch', asked);
  });

  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
    asked.mockReset();
  });

  it('says nothing of what is answered within a second', async () => {
    render(WaitingCard);
    const key = waiting.begin();
    await vi.advanceTimersByTimeAsync(900);
    waiting.end(key);
    await vi.advanceTimersByTimeAsync(5000);

    expect(asked).not.toHaveBeenCalled();
    expect(screen.queryByText('Laying bridges')).toBeNull();
  });

  it('shows how far a longer one is until it is answered', async () => {
    render(WaitingCard);
    const key = waiting.begin();
    await vi.advanceTimersByTimeAsync(1100);

    expect(asked).toHaveBeenCalledWith(`/api/waits/${key}`);
    expect(screen.getByRole('status').textContent).toBe('Laying bridges');
    expect(screen.getByRole('progressbar').getAttribute('value')).toBe('40');

    waiting.end(key);
    await vi.advanceTimersByTimeAsync(0);
    expect(screen.queryByRole('status')).toBeNull();
  });

  it('stops what is waited for at a press', async () => {
    render(WaitingCard);
    const key = waiting.begin();
    await vi.advanceTimersByTimeAsync(1100);

    await fireEvent.click(screen.getByRole('button', { name: 'Stop' }));

    expect(asked).toHaveBeenCalledWith(`/api/waits/${key}/stop`, { method: 'POST' });
    expect(screen.getByRole('button', { name: 'Stopping' })).toHaveProperty('disabled', true);
    waiting.end(key);
  });
});
