import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Job, Look, Part, Work } from '../lib/api/client';
import * as api from '../lib/api/client';
import { OpenJob } from './open-job.svelte';

vi.mock('../lib/api/client', async (original) => ({
  ...(await original<typeof api>()),
  getJob: vi.fn(),
  changeJob: vi.fn(),
  setFates: vi.fn(),
  undo: vi.fn(),
  lookAt: vi.fn(),
  changePart: vi.fn(),
  addWords: vi.fn(),
  tryBridge: vi.fn(),
  setBridge: vi.fn(),
  setDone: vi.fn(),
  getWork: vi.fn(),
}));

const MASKS = [{ number: 1 }, { number: 2 }];
const job = (numbers: number[], undo: string | null = null) =>
  ({
    pieces: numbers.map((number) => ({ number, mask: number > 9 ? 2 : 1 })),
    picture: { masks: MASKS },
    history: { undo, redo: null },
  }) as unknown as Job;

/** An answer that comes when it is told to. */
function later<T>() {
  let answer: (value: T) => void = () => undefined;
  const promise = new Promise<T>((resolve) => (answer = resolve));
  return { promise, answer };
}

const part = (id: number, x = 0, y = 0, kind = 'words') => ({ id, x, y, kind }) as unknown as Part;
const design = (...elements: Part[]) =>
  ({
    pieces: [],
    elements,
    picture: { width: 600, masks: MASKS },
    history: { undo: null, redo: null },
  }) as unknown as Job;
const look = (x: number) =>
  ({
    picture: { overhang: 'M0 0Z' },
    elements: [part(1, x)],
    findings: [],
    rail: { width: x },
    verdict: `at ${x}`,
  }) as unknown as Look;

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

  it('builds a change on the answer before it, though that answer is never shown', async () => {
    const blanks = (...entries: object[]) =>
      entries.map((blank) => ({ ...job([]), inputs: { blank } }) as unknown as Job);
    const [first, second, third] = blanks({ rim: 0 }, { rim: 9 }, { rim: 9, corner: 4 });
    vi.mocked(api.getJob).mockResolvedValueOnce(first as Job);
    vi.mocked(api.changeJob)
      .mockResolvedValueOnce(second as Job)
      .mockResolvedValueOnce(third as Job);
    const open = new OpenJob(1);
    await open.load();

    await Promise.all([open.changeBlank(() => ({ rim: 9 })), open.changeBlank(() => ({ corner: 4 }))]);

    expect(vi.mocked(api.changeJob).mock.calls[1]?.[2]).toEqual({ blank: { rim: 9, corner: 4 } });
  });

  it('keeps the parts of stations it has left, until the job is another', async () => {
    const at = (version: number, parts: object) => ({ ...job([]), version, ...parts }) as unknown as Job;
    vi.mocked(api.getJob)
      .mockResolvedValueOnce(at(4, { mask: null, sheets: { count: 2 } }))
      .mockResolvedValueOnce(at(4, { mask: { gone: [] }, sheets: null }))
      .mockResolvedValueOnce(at(5, { mask: { gone: [] }, sheets: null }));
    const open = new OpenJob(1);

    await open.enter('sheets');
    await open.enter('mask');
    expect(open.job?.sheets).toEqual({ count: 2 });
    expect(open.job?.mask).toEqual({ gone: [] });
    await open.load();
    expect(open.job?.sheets).toBeNull();
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

describe('a design in the hand', () => {
  async function opened(...parts: Part[]): Promise<OpenJob> {
    vi.mocked(api.getJob).mockResolvedValueOnce(design(...parts));
    const open = new OpenJob(1);
    await open.load();
    return open;
  }

  it('shows what a change would look like over what is kept', async () => {
    const open = await opened(part(1, 5));
    vi.mocked(api.lookAt).mockResolvedValueOnce(look(40));

    open.peek({ design_width: 40 });
    await vi.waitFor(() => expect(open.look).not.toBeNull());

    expect(open.seen?.elements[0]?.x).toBe(40);
    expect(open.seen?.picture.width).toBe(600);
    expect(open.job?.elements[0]?.x).toBe(5);
  });

  it('asks for one look at a time, and only the newest waits', async () => {
    const open = await opened(part(1));
    const first = later<Look>();
    vi.mocked(api.lookAt).mockReturnValueOnce(first.promise).mockResolvedValueOnce(look(9));

    for (const design_width of [1, 2, 3, 9]) open.peek({ design_width });
    expect(api.lookAt).toHaveBeenCalledTimes(1);
    first.answer(look(1));
    await vi.waitFor(() => expect(open.look?.verdict).toBe('at 9'));

    expect(vi.mocked(api.lookAt).mock.calls.map((call) => call[2].design_width)).toEqual([1, 9]);
  });

  it('drops a look that a change in earnest overtook', async () => {
    const open = await opened(part(1));
    const slow = later<Look>();
    vi.mocked(api.lookAt).mockReturnValueOnce(slow.promise);
    vi.mocked(api.changePart).mockResolvedValueOnce(design(part(1, 77)));

    open.peek({ design_width: 1 });
    await open.changePart(1, { x: 77 });
    slow.answer(look(1));
    await slow.promise;
    await Promise.resolve();

    expect(open.look).toBeNull();
    expect(open.seen?.elements[0]?.x).toBe(77);
  });

  it('says why a look cannot be had, and keeps what it shows', async () => {
    const open = await opened(part(1, 5));
    vi.mocked(api.lookAt).mockRejectedValueOnce(new api.Problem('Too thin.', 'Thicker.'));

    open.peek({ design_width: 1 });
    await vi.waitFor(() => expect(open.problem?.what).toBe('Too thin.'));

    expect(open.seen?.elements[0]?.x).toBe(5);
  });

  it('keeps a run of nudges as one change, from where the part was', async () => {
    vi.useFakeTimers();
    const open = await opened(part(1, 10, 20));
    vi.mocked(api.lookAt).mockResolvedValue(look(12));
    vi.mocked(api.changePart).mockResolvedValueOnce(design(part(1, 13, 19)));

    open.nudge(1, 0);
    open.nudge(1, 0);
    open.nudge(1, -1);
    await vi.advanceTimersByTimeAsync(1000);
    vi.useRealTimers();

    expect(api.changePart).toHaveBeenCalledTimes(1);
    expect(vi.mocked(api.changePart).mock.calls[0]?.[3]).toEqual({ x: 13, y: 19 });
  });

  it('nudges no frame, which follows the blank', async () => {
    const open = await opened(part(1, 0, 0, 'frame'));

    open.nudge(1, 0);

    expect(api.lookAt).not.toHaveBeenCalled();
  });

  it('chooses what was added', async () => {
    const open = await opened(part(1));
    vi.mocked(api.addWords).mockResolvedValueOnce(design(part(1), part(4)));

    await open.addWords('ROW');

    expect(open.chosen?.id).toBe(4);
  });

  it('takes further parts in to be arranged together, and leaves them out again', async () => {
    const open = await opened(part(1), part(2), part(3));

    open.choose(1);
    expect(open.arranged).toEqual([]);
    open.choose(3, true);
    open.choose(2, true);
    expect(open.arranged).toEqual([1, 3, 2]);
    open.choose(3, true);
    expect(open.arranged).toEqual([1, 2]);
    open.choose(2);

    expect([open.part, open.arranged]).toEqual([2, []]);
  });

  it('takes the only part as chosen, and none of several', async () => {
    expect((await opened(part(3))).chosen?.id).toBe(3);
    expect((await opened(part(3), part(4))).chosen).toBeNull();
  });
});

describe('loose pieces on the screen', () => {
  it('shows the mask a chosen piece is in', async () => {
    vi.mocked(api.getJob).mockResolvedValue(job([1, 12]));
    const open = new OpenJob(7);
    await open.load();

    open.select(12);

    expect(open.mask).toBe(2);
  });

  it('decides the picked ones together, else the chosen one', async () => {
    vi.mocked(api.getJob).mockResolvedValue(job([1, 2, 3]));
    vi.mocked(api.setFates).mockResolvedValue(job([1, 2, 3]));
    const open = new OpenJob(7);
    await open.load();
    open.select(2);
    expect(open.meant).toEqual([2]);

    open.pick(1);
    open.pick(3);
    open.pick(1);
    open.decideSelected('bridge');

    await vi.waitFor(() => expect(vi.mocked(api.setFates).mock.lastCall?.slice(2)).toEqual([[3], 'bridge']));
  });
});

describe('a bridge in the hand', () => {
  const move = (x: number) => ({ piece: 1, index: 0, at: [x, 0] as [number, number], slide: 0 });

  it('is asked about one place at a time, and only the newest waits', async () => {
    const first = later<api.Bridge>();
    vi.mocked(api.tryBridge).mockReturnValueOnce(first.promise);
    vi.mocked(api.tryBridge).mockResolvedValue({ piece: 1, index: 0, length: 3 } as api.Bridge);
    const open = new OpenJob(7);

    open.grip(true);
    open.dragBridge(move(1));
    open.dragBridge(move(2));
    open.dragBridge(move(3));
    first.answer({ piece: 1, index: 0, length: 1 } as api.Bridge);
    await vi.waitFor(() => expect(open.hand?.length).toBe(3));

    expect(vi.mocked(api.tryBridge).mock.calls.map(([, asked]) => asked.at?.[0])).toEqual([1, 3]);
  });

  it('says why a place will not do, and is forgotten when let go', async () => {
    vi.mocked(api.tryBridge).mockRejectedValue(new api.Problem('Too narrow.', 'Go elsewhere.'));
    const open = new OpenJob(7);
    open.grip(true);
    open.dragBridge(move(1));
    await vi.waitFor(() => expect(open.refused).toContain('Too narrow'));

    open.grip(false);

    expect(open.hand).toBeNull();
  });

  it('takes in what was done without the design, which stays as it is', async () => {
    vi.mocked(api.getJob).mockResolvedValueOnce(job([1, 2]));
    vi.mocked(api.setDone).mockResolvedValueOnce({ next: null, version: 1 } as unknown as Work);
    const open = new OpenJob(1);
    await open.load();

    await open.done('weed-count/m1/k1', true);

    expect(open.job?.next).toBeNull();
    expect(open.job?.pieces).toHaveLength(2);
  });

  it('asks why a task is done before its time, and sends the reason', async () => {
    vi.mocked(api.getJob).mockResolvedValueOnce(job([1]));
    vi.mocked(api.setDone)
      .mockRejectedValueOnce(new api.Problem('It should wait another 9 min.', 'Wait.', 'needs-reason'))
      .mockResolvedValueOnce({ next: null } as unknown as Work);
    const open = new OpenJob(1);
    await open.load();

    await open.done('paint-coat/m1/k1/c1/n2', true);
    expect(open.early?.task).toBe('paint-coat/m1/k1/c1/n2');
    expect(open.problem).toBeNull();
    await open.done('paint-coat/m1/k1/c1/n2', true, 'Hot day');

    expect(vi.mocked(api.setDone).mock.calls[1]?.[3]).toEqual({
      task: 'paint-coat/m1/k1/c1/n2',
      done: true,
      all_here: false,
      reason: 'Hot day',
    });
    expect(open.early).toBeNull();
  });

  it('shows a job as another window left it, and says what was changed there', async () => {
    vi.mocked(api.getJob)
      .mockResolvedValueOnce(job([1]))
      .mockResolvedValueOnce(job([1, 2, 3]));
    vi.mocked(api.changeJob).mockRejectedValueOnce(
      new api.Problem('Changed in another window: Blank.', 'Change it again.', 'changed-meanwhile'),
    );
    const open = new OpenJob(1);
    await open.load();

    await open.change({ copies: 2 });

    expect(open.problem?.what).toContain('Blank');
    expect(open.job?.pieces).toHaveLength(3);
  });
});
