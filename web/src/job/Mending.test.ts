import { fireEvent, render, screen } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import * as api from '../lib/api/client';
import Mending from './Mending.svelte';

vi.mock('../lib/api/client', async (original) => ({
  ...(await original<typeof api>()),
  getMending: vi.fn(),
  mend: vi.fn(),
}));

const mending: api.Mending = {
  id: 4,
  name: 'Ferry totes',
  version: 7,
  what: 'There is no cutter called “gone”.',
  fix: 'Choose one of: hand, pocket.',
  mends: [{ key: 'cutter', label: 'Cut it on a table cutter' }],
  history: { undo: 'Cutter', redo: null },
};
const unshown = new api.Problem('There is no job 4.', 'Go back to the board.');
const onmended = vi.fn();
const props = { id: 4, unshown, onmended };

beforeEach(() => vi.resetAllMocks());

describe('a job that cannot be shown', () => {
  it('says once what is wrong, and is mended at a press, on the version it is at', async () => {
    vi.mocked(api.getMending).mockResolvedValue(mending);
    vi.mocked(api.mend).mockResolvedValue({} as api.Job);
    render(Mending, props);

    await fireEvent.click(await screen.findByText('Cut it on a table cutter'));

    expect(screen.getAllByText(/no cutter called/)).toHaveLength(1);
    expect(screen.queryByText(/Choose one of/)).toBeNull();
    expect(screen.getByText('Undo: Cutter')).toBeTruthy();
    expect(api.mend).toHaveBeenCalledWith(4, 'mm', 'cutter', 7);
    await vi.waitFor(() => expect(onmended).toHaveBeenCalled());
  });

  it('says why where there is nothing to mend', async () => {
    vi.mocked(api.getMending).mockRejectedValue(unshown);
    render(Mending, props);

    expect((await screen.findByRole('alert')).textContent).toContain('There is no job 4.');
  });

  it('keeps what is wrong in view when mending fails', async () => {
    vi.mocked(api.getMending).mockResolvedValue(mending);
    vi.mocked(api.mend).mockRejectedValue(new api.Problem('This job was changed meanwhile.', 'Look again.'));
    render(Mending, props);

    await fireEvent.click(await screen.findByText('Cut it on a table cutter'));

    expect(await screen.findByText(/changed meanwhile/)).toBeTruthy();
    expect(onmended).not.toHaveBeenCalled();
  });
});
