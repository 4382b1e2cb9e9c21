import { fireEvent, render, screen } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import TextField from './TextField.svelte';

beforeEach(() => sessionStorage.clear());

const field = () => screen.getByLabelText<HTMLTextAreaElement>('What it says');
const base = { label: 'What it says', value: 'ROW', name: '1/1' };

describe('a field for words', () => {
  it('is not written into by an answer while it is in hand', async () => {
    const { rerender } = render(TextField, { ...base, onchange: vi.fn() });
    await fireEvent.focus(field());
    await fireEvent.input(field(), { target: { value: 'MIND THE' } });

    await rerender({ ...base, value: 'MI', onchange: vi.fn() });

    expect(field().value).toBe('MIND THE');
  });

  it('shows what is kept once it is left and that is done', async () => {
    let keep: (text: string) => void = () => undefined;
    const onchange = vi.fn((text: string) => new Promise<void>((done) => (keep = () => done(void text))));
    const { rerender } = render(TextField, { ...base, onchange });
    await fireEvent.focus(field());
    await fireEvent.input(field(), { target: { value: 'mind' } });
    await fireEvent.blur(field());
    expect(onchange).toHaveBeenCalledExactlyOnceWith('mind');
    expect(field().value).toBe('mind');

    await rerender({ ...base, value: 'MIND', onchange });
    keep('');

    await vi.waitFor(() => expect(field().value).toBe('MIND'));
    expect(sessionStorage.length).toBe(0);
  });

  it('keeps after a reload what was typed and not kept', async () => {
    const first = render(TextField, { ...base, onchange: vi.fn() });
    await fireEvent.focus(field());
    await fireEvent.input(field(), { target: { value: 'MIND THE STEP' } });
    first.unmount();
    const onchange = vi.fn();

    render(TextField, { ...base, onchange });

    expect(field().value).toBe('MIND THE STEP');
    expect(onchange).toHaveBeenCalledWith('MIND THE STEP');
  });
});
