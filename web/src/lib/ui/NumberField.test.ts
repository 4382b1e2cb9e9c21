import { fireEvent, render, screen } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import { LIMITS } from '../limits';
import NumberField from './NumberField.svelte';

const copies = { least: 1, most: 1000, step: 1, unit: '', name: 'copies' };
const shown = (onchange = vi.fn()) => {
  const context = new Map([[LIMITS, () => ({ 'blank.copies': copies })]]);
  render(NumberField, { props: { label: 'How many', entry: 'blank.copies', value: 3, onchange }, context });
  return { onchange, field: screen.getByLabelText<HTMLInputElement>('How many') };
};

describe('a field for a number', () => {
  it.each(['0', '-1', '1.5', 'many', '1001'])(
    'keeps “%s” and says beside it what it takes, and asks for nothing',
    async (text) => {
      const { onchange, field } = shown();

      await fireEvent.input(field, { target: { value: text } });
      await fireEvent.keyDown(field, { key: 'Enter' });

      expect(field.value).toBe(text);
      expect(screen.getByText('Enter a whole number, 1 to 1000.')).toBeTruthy();
      expect(field.validity.valid).toBe(false);
      expect(onchange).not.toHaveBeenCalled();
    },
  );

  it('takes what is within, and steps by the arrow keys', async () => {
    const { onchange, field } = shown();

    await fireEvent.keyDown(field, { key: 'ArrowUp' });
    expect(field.value).toBe('4');
    await fireEvent.keyDown(field, { key: 'Enter' });

    expect(onchange).toHaveBeenCalledWith(4);
  });

  it('does not step beyond its limits', async () => {
    const { field } = shown();

    for (let k = 0; k < 5; k++) await fireEvent.keyDown(field, { key: 'ArrowDown' });

    expect(field.value).toBe('1');
  });
});
