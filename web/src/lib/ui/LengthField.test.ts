import { fireEvent, render, screen } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { settings } from '../settings.svelte';
import LengthField from './LengthField.svelte';

beforeEach(() => settings.setUnit('mm'));

async function type(text: string): Promise<void> {
  const field = screen.getByRole('textbox');
  await fireEvent.input(field, { target: { value: text } });
  await fireEvent.keyDown(field, { key: 'Enter' });
}

describe('a field for a length', () => {
  it('shows the length in the unit of the maker', () => {
    settings.setUnit('in');
    render(LengthField, { label: 'Border', entry: 'mask.border', value: 38.1, onchange: vi.fn() });

    expect(screen.getByLabelText<HTMLInputElement>('Border (in)').value).toBe('1 1/2');
  });

  it.each([
    ['40', 40],
    ['2in', 50.8],
    ['3,5 cm', 35],
  ])('takes “%s” for %d mm', async (text, mm) => {
    const onchange = vi.fn();
    render(LengthField, { label: 'Border', entry: 'mask.border', value: 25, onchange });

    await type(text);

    expect(onchange).toHaveBeenCalledWith(mm);
  });

  it('says so when it is no length, and asks for nothing', async () => {
    const onchange = vi.fn();
    render(LengthField, { label: 'Border', entry: 'mask.border', value: 25, onchange });

    await type('a thumb');

    expect(screen.getByText(/Not a length/)).toBeTruthy();
    expect(screen.getByRole('textbox').getAttribute('aria-invalid')).toBe('true');
    expect(onchange).not.toHaveBeenCalled();
  });

  it('gives the figure back to the catalogue when emptied', async () => {
    const onchange = vi.fn();
    render(LengthField, { label: 'Border', entry: 'mask.border', value: 25, otherwise: 40, onchange });

    await type('');

    expect(onchange).toHaveBeenCalledWith(null);
  });

  it('asks for nothing when nothing was changed', async () => {
    const onchange = vi.fn();
    render(LengthField, { label: 'Border', entry: 'mask.border', value: 25, onchange });

    await type('25');

    expect(onchange).not.toHaveBeenCalled();
  });
});
