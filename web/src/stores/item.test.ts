import { describe, expect, it } from 'vitest';
import { ADDED, begun, entriesOf, SHAPES } from './item';

describe('something new in store', () => {
  it('keeps what belongs to its kind and drops the rest', () => {
    const tin = { ...begun('paint', 'chalk-paint'), name: 'Tin', colour: '#22313a', opened: '2026-05-02' };
    const roll = begun('roll', 'card', { ...tin, width: 457 });

    expect(roll).toMatchObject({ name: 'Tin', kind: 'roll', key: 'card', width: 457, colour: '#22313a' });
    expect(roll.opened).toBeNull();
    expect(begun('pins', 'card', roll)).toMatchObject({ key: '', width: null, colour: null });
  });

  it('is an offcut only where it is a sheet', () => {
    const offcut = { ...begun('sheets', 'card'), is_offcut: true };

    expect(begun('sheets', 'plastic', offcut).is_offcut).toBe(true);
    expect(begun('roll', 'plastic', offcut).is_offcut).toBe(false);
  });

  it('is never a mask: those are kept from their job', () => {
    expect(ADDED).not.toContain('mask');
    expect(Object.keys(SHAPES)).toContain('mask');
  });
});

it('sends no more of an item than a maker writes down', () => {
  const held = { ...begun('tape', ''), name: 'Tape', left: 400, id: 7, shown: '400 mm' };

  expect(Object.keys(entriesOf(held))).not.toContain('left');
});
