import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Job } from '../lib/api/client';
import * as api from '../lib/api/client';
import { OpenJob } from './open-job.svelte';

vi.mock('../lib/api/client', async (original) => ({
  ...(await original<typeof api>()),
  getJob: vi.fn(),
  setFates: vi.fn(),
  undo: vi.fn(),
}));

const job = (numbers: number[], undo: string | null = null) =>
  ({ pieces: numbers.map((number) => ({ number })), history: { undo, redo: null } }) as unknown as Job;

/** An answer that comes when it is told to. */
function later<T>() {
  let answer: (value: T) => void = () => undefined;
  const promise = new Promise<T>((resolve) => (answer = resolve));
  return { promise, answer };
}

beforeEach(() => vi.resetAllMocks());

describe('a job on the screen', () => {
  it('asks one question after the other, however quick the fingers', async () => {
    const first = later<Job>();
    vi.mocked(api.setFates)
      .mockReturnValueOnce(first.promise)
      .mockResolvedValueOnce(job([1]));
    const open = new OpenJob(1);

    const [one, two] = [open.decide([1], 'keep'), open.decide([2], 'bridge')];
    await vi.waitFor(() => expect(api.setFates).toHaveBeenCalled());
    expect(api.setFates).toHaveBeenCalledTimes(1);
    first.answer(job([1, 2]));
    await Promise.all([one, two]);

    expect(api.setFates).toHaveBeenCalledTimes(2);
    expect(open.busy).toBe(0);
  });

  it('drops an answer that a later question overtook', async () => {
    vi.mocked(api.getJob)
      .mockResolvedValueOnce(job([1]))
      .mockResolvedValueOnce(job([1, 2]));
    const open = new OpenJob(1);

    const early = open.load();
    const late = open.load();
    await early;
    expect(open.job).toBeNull();
    await late;

    expect(open.job?.pieces).toHaveLength(2);
  });

  it('keeps what it had when a change is refused, and says why', async () => {
    vi.mocked(api.getJob).mockResolvedValueOnce(job([1, 2, 3]));
    vi.mocked(api.setFates).mockRejectedValueOnce(
      new api.Problem('There is no loose piece 9.', 'Take 1 to 3.'),
    );
    const open = new OpenJob(1);
    await open.load();

    await open.decide([9], 'keep');

    expect(open.problem?.what).toContain('no loose piece 9');
    expect(open.job?.pieces).toHaveLength(3);
  });

  it('asks on after a refusal', async () => {
    vi.mocked(api.setFates)
      .mockRejectedValueOnce(new api.Problem('No.', ''))
      .mockResolvedValueOnce(job([4]));
    const open = new OpenJob(1);

    await open.decide([9], 'keep');
    await open.decide([4], 'keep');

    expect(open.problem).toBeNull();
    expect(open.job?.pieces[0]?.number).toBe(4);
  });

  it('steps through the loose pieces, round and round', async () => {
    vi.mocked(api.getJob).mockResolvedValueOnce(job([2, 5, 9]));
    const open = new OpenJob(1);
    await open.load();

    const seen = [1, 1, 1, 1, -1].map((by) => (open.selectNext(by), open.selected));

    expect(seen).toEqual([2, 5, 9, 2, 9]);
  });

  it('does not ask to undo when there is nothing to undo', async () => {
    vi.mocked(api.getJob).mockResolvedValueOnce(job([1]));
    const open = new OpenJob(1);
    await open.load();

    await open.undo();

    expect(api.undo).not.toHaveBeenCalled();
  });
});
