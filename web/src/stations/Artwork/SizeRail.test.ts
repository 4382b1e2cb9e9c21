import { fireEvent, render, screen } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Rail } from '../../lib/api/client';
import { breakpoints, restAt, saying, stepped, zones } from './rail';
import SizeRail from './SizeRail.svelte';

const rail: Rail = {
  width: 400,
  least: [
    { measure: 'web', width: 300, measured: 5.3, limit: 4, at: [10, 10] },
    { measure: 'stroke', width: 180, measured: 13.3, limit: 6, at: [20, 10] },
  ],
  smallest: 300,
  spots: [],
  margin: 540,
  edge: 600,
  steps: [
    { width: 350, sheets: 1 },
    { width: 520, sheets: 2 },
    { width: 650, sheets: 4 },
  ],
  low: 150,
  high: 650,
  fixed: false,
};
const show = (mm: number) => `${mm} mm`;

describe('what the rail says', () => {
  it.each([
    [200, 'too fine for this surface, 1 sheet'],
    [320, 'holds on 1 sheet'],
    [400, 'holds on 2 sheets'],
    [530, 'holds on 4 sheets'],
    [560, 'over the margins, 4 sheets'],
    [630, 'off the blank'],
  ])('of %d mm: %s', (width, words) => {
    expect(saying(rail, width)).toBe(words);
  });

  it('names every width at which something changes, in order', () => {
    expect(breakpoints(rail, show).map((point) => point.width)).toEqual([180, 300, 350, 520, 540, 600]);
  });

  it('leaves out what lies off its ends', () => {
    expect(breakpoints({ ...rail, edge: 900 }, show).map((point) => point.key)).not.toContain('edge');
  });

  it('paints it without gaps or overlaps, from end to end', () => {
    const painted = zones(rail);

    expect(painted[0]?.from).toBe(rail.low);
    expect(painted.at(-1)?.to).toBe(rail.high);
    painted.slice(1).forEach((zone, index) => expect(zone.from).toBe(painted[index]?.to));
    expect(painted.map((zone) => zone.kind)).toEqual(['fine', 'holds', 'holds', 'holds', 'tight', 'over']);
  });

  it('rests on a breakpoint within reach, and nowhere else', () => {
    const points = breakpoints(rail, show);

    expect(restAt(347, points, 6)).toBe(350);
    expect(restAt(420, points, 6)).toBe(420);
  });
});

describe('the size rail', () => {
  const props = { rail, onpeek: vi.fn(), onchange: vi.fn(), onfit: vi.fn(), onspot: vi.fn() };
  beforeEach(() => vi.clearAllMocks());

  it('shows the consequence while dragging, and asks when let go', async () => {
    render(SizeRail, props);
    const slider = screen.getByRole('slider');

    await fireEvent.input(slider, { target: { value: '250' } });
    expect(screen.getByText(/too fine for this surface/)).toBeTruthy();
    expect(props.onpeek).toHaveBeenLastCalledWith(250);
    expect(props.onchange).not.toHaveBeenCalled();
    await fireEvent.change(slider, { target: { value: '250' } });

    expect(props.onchange).toHaveBeenCalledWith(250);
  });

  it('snaps to the width that saves a sheet', async () => {
    render(SizeRail, props);

    await fireEvent.input(screen.getByRole('slider'), { target: { value: '352' } });

    expect(props.onpeek).toHaveBeenLastCalledWith(350);
  });

  it('goes to a breakpoint at a press', async () => {
    render(SizeRail, props);

    await fireEvent.click(screen.getByRole('button', { name: /1 sheet to/ }));

    expect(props.onchange).toHaveBeenCalledWith(350);
  });

  it('points at the place behind a breakpoint while it is looked at', async () => {
    render(SizeRail, props);
    const point = screen.getByRole('button', { name: /mask holds/ });

    await fireEvent.focus(point);
    expect(props.onspot).toHaveBeenLastCalledWith([10, 10]);
    await fireEvent.blur(point);

    expect(props.onspot).toHaveBeenLastCalledWith(null);
  });

  it('has nothing to size where there is a frame only', () => {
    render(SizeRail, { ...props, rail: { ...rail, fixed: true } });

    expect(screen.queryByRole('slider')).toBeNull();
  });

  it('names the spots that no size would mend, and points at them', async () => {
    const onspot = vi.fn();
    const spots = [{ measure: 'web' as const, measured: 0.4, at: [10, 20] as [number, number] }];
    render(SizeRail, { ...props, rail: { ...rail, spots }, onspot });

    const spot = screen.getByRole('button', { name: 'mask of 0.4 mm' });
    spot.focus();

    expect(screen.getByText(/No size that fits mends this spot/)).toBeTruthy();
    expect(screen.getByText(/holds on 2 sheets, but for what no size mends/)).toBeTruthy();
    await vi.waitFor(() => expect(onspot).toHaveBeenCalledWith([10, 20]));
  });
});

describe('a step of the rail', () => {
  it.each([
    [400, 1, 1, 401],
    [400.4, 1, 1, 401],
    [400.4, -1, 1, 400],
    [400.4, 1, 0.1, 400.5],
    [400, -10, 1, 390],
    // 15 3/4 in and an eighth on: 15 7/8 in.
    [400.05, 1, 25.4 / 8, 403.225],
  ])('from %d mm, %d of %d mm: %d mm', (from, steps, step, to) => {
    expect(stepped(from, steps, step)).toBeCloseTo(to, 3);
  });

  it('is a millimetre by the arrow keys, a tenth with Alt, and is read out with what it means', async () => {
    const onchange = vi.fn();
    render(SizeRail, { rail, onchange, onpeek: vi.fn(), onfit: vi.fn(), onspot: vi.fn() });
    const slider = screen.getByRole('slider');

    expect(slider.getAttribute('aria-valuetext')).toBe('400 mm, holds on 2 sheets');
    await fireEvent.keyDown(slider, { key: 'ArrowRight' });
    await fireEvent.keyDown(slider, { key: 'ArrowLeft', altKey: true });
    await fireEvent.keyDown(slider, { key: 'PageUp' });
    expect(onchange.mock.calls).toEqual([[401], [399.9], [410]]);
  });
});
