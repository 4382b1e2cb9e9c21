import { describe, expect, it, vi } from 'vitest';
import { handle, pressed } from './shortcuts';

const key = (init: KeyboardEventInit & { key: string }) =>
  new KeyboardEvent('keydown', { ...init, cancelable: true });

describe('shortcuts', () => {
  it('names keys as they are shown', () => {
    expect(pressed(key({ key: 'n' }))).toBe('N');
    expect(pressed(key({ key: 'z', ctrlKey: true }))).toBe('Ctrl Z');
    expect(pressed(key({ key: 'Z', metaKey: true, shiftKey: true }))).toBe('Ctrl Shift Z');
    expect(pressed(key({ key: '?', shiftKey: true }))).toBe('?');
  });

  it('runs what a key stands for, and keeps the browser out of it', () => {
    const run = vi.fn();
    const event = key({ key: 'n' });
    handle(event, [{ keys: 'N', about: '', run }]);
    expect(run).toHaveBeenCalledOnce();
    expect(event.defaultPrevented).toBe(true);
  });

  it('leaves keys alone while somebody types', () => {
    const run = vi.fn();
    const field = document.body.appendChild(document.createElement('input'));
    field.addEventListener('keydown', (event) => handle(event, [{ keys: 'N', about: '', run }]));
    field.dispatchEvent(key({ key: 'n', bubbles: true }));
    expect(run).not.toHaveBeenCalled();
  });
});
