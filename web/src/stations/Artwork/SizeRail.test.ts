import { fireEvent, render, screen } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import SizeRail from './SizeRail.svelte';

const rail = { smallest: 300, largest: 540, onchange: vi.fn() };

describe('the size rail', () => {
  it.each([
    [200, 'too fine for this surface'],
    [400, 'holds, and fits'],
    [560, 'over the margins'],
  ])('says of %d mm that it %s', (width, words) => {
    render(SizeRail, { ...rail, width });

    expect(screen.getByText(new RegExp(words))).toBeTruthy();
  });

  it('says where the limits are', () => {
    render(SizeRail, { ...rail, width: 400 });

    expect(screen.getByText('too fine below 300 mm')).toBeTruthy();
    expect(screen.getByText('margins at 540 mm')).toBeTruthy();
  });

  it('shows the consequence while dragging, and asks when let go', async () => {
    const onchange = vi.fn();
    render(SizeRail, { ...rail, width: 400, onchange });
    const slider = screen.getByRole('slider');

    await fireEvent.input(slider, { target: { value: '250' } });
    expect(screen.getByText(/too fine for this surface/)).toBeTruthy();
    expect(onchange).not.toHaveBeenCalled();
    await fireEvent.change(slider, { target: { value: '250' } });

    expect(onchange).toHaveBeenCalledWith(250);
  });
});
