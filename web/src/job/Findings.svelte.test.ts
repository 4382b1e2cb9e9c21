import { fireEvent, render, screen } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { OpenJob } from './open-job.svelte';
import type { Finding } from '../lib/api/client';
import * as api from '../lib/api/client';
import Findings from './Findings.svelte';

vi.mock('../lib/api/client', async (original) => ({
  ...(await original<typeof api>()),
  getRemedies: vi.fn(),
}));

const finding = (key: string, message: string): Finding => ({
  key,
  code: 'web-thin',
  station: 'artwork',
  severity: 'warn',
  at: [1, 1],
  measured: 3,
  limit: 4,
  message,
  piece: null,
  element: 1,
});

/** As much of a job as the list touches. */
function job() {
  const state = $state({ id: 1, finding: null as string | null, busy: 0, remedy: vi.fn() });
  return state as unknown as OpenJob & { remedy: ReturnType<typeof vi.fn> };
}

beforeEach(() => vi.resetAllMocks());

describe('what was found', () => {
  const remedies = [{ code: 'grow', label: 'Make it 300 mm wide', consequence: 'Then all is well.' }];

  it('offers what was tried, and does it at a press', async () => {
    const open = job();
    vi.mocked(api.getRemedies).mockResolvedValueOnce({ remedies });
    render(Findings, { open, findings: [finding('a', 'Too thin here.')] });

    await fireEvent.click(screen.getByRole('button', { name: /Too thin here/ }));
    await fireEvent.click(await screen.findByRole('button', { name: /Make it 300 mm wide/ }));

    expect(open.remedy).toHaveBeenCalledWith('a', 'grow');
    expect(open.finding).toBeNull();
  });

  it('says so when nothing helps', async () => {
    vi.mocked(api.getRemedies).mockResolvedValueOnce({ remedies: [] });
    render(Findings, { open: job(), findings: [finding('a', 'Too thin here.')] });

    await fireEvent.click(screen.getByRole('button', { name: /Too thin here/ }));

    expect(await screen.findByText(/Nothing we tried helps/)).toBeTruthy();
  });

  it('asks nothing about what was heard of a file', async () => {
    render(Findings, { open: job(), findings: [finding('notice/0', 'Lettering is left out.')] });

    await fireEvent.click(screen.getByRole('button', { name: /Lettering/ }));

    expect(api.getRemedies).not.toHaveBeenCalled();
  });

  it('shows a few and all of them when asked', async () => {
    const many = Array.from({ length: 8 }, (_, index) => finding(`k${index}`, `Place ${index}.`));
    render(Findings, { open: job(), findings: many });

    expect(screen.queryByText('Place 7.')).toBeNull();
    await fireEvent.click(screen.getByRole('button', { name: 'All 8' }));

    expect(screen.getByText('Place 7.')).toBeTruthy();
  });
});
