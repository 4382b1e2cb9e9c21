import { fireEvent, render, screen } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { LIMITS } from '../limits';
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

  it('takes both sides at once where there are two', async () => {
    const [onchange, onpair] = [vi.fn(), vi.fn()];
    const props = { label: 'Width', entry: 'piece.width', value: 600, onchange, onpair };
    render(LengthField, props);

    await type('30x18in');

    expect(onpair).toHaveBeenCalledWith(762, 457.2);
    expect(onchange).not.toHaveBeenCalled();
  });

  it('says so when it is no length, and asks for nothing', async () => {
    const onchange = vi.fn();
    render(LengthField, { label: 'Border', entry: 'mask.border', value: 25, onchange });

    await type('a thumb');

    expect(screen.getByText(/Enter a length/)).toBeTruthy();
    expect(screen.getByRole('textbox').getAttribute('aria-invalid')).toBe('true');
    expect(onchange).not.toHaveBeenCalled();
  });

  it('says in the unit of the maker what it takes, and asks for nothing', async () => {
    settings.setUnit('in');
    const onchange = vi.fn();
    const context = new Map([[LIMITS, () => ({ 'mask.border': { least: 0, most: 500 } })]]);
    render(LengthField, { props: { label: 'Border', entry: 'mask.border', value: 25, onchange }, context });

    await type('20');
    expect(screen.getByText('Enter 0 in to 19 11/16 in.')).toBeTruthy();
    expect(screen.getByRole<HTMLInputElement>('textbox').validity.valid).toBe(false);
    expect(onchange).not.toHaveBeenCalled();
    await type('19 1/2');
    expect(screen.getByRole<HTMLInputElement>('textbox').validity.valid).toBe(true);

    expect(screen.queryByText(/Enter 0/)).toBeNull();
    expect(onchange).toHaveBeenCalledWith(495.3);
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
