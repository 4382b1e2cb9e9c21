import { render, screen } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import type { Finding, Picture as Drawn, Piece } from '../api/client';
import Picture from './Picture.svelte';

const picture: Drawn = {
  width: 600,
  height: 400,
  shape: 'rectangle',
  blank_colour: '#b08a57',
  colours: [{ colour: '#22313a', path: 'M0 0L9 0L9 9Z' }],
  frame: 'M0 0L600 0L600 400Z',
  mask_box: [10, 10, 590, 390],
  painted_box: [50, 50, 550, 350],
  margin: 30,
  bridges: [{ piece: 2, to: 0, start: [1, 1], end: [5, 1], length: 4, path: 'M1 1L5 1L5 2Z' }],
  patches: [{ sheet: 1, box: [10, 10, 590, 390] }],
  placements: [{ number: 1, box: [10, 10, 110, 190] }],
  pins: [{ at: [20, 20], holds: 'corner', piece: null }],
};

const piece = (number: number, fate: Piece['fate'], calls: Piece['calls'] = {}): Piece => ({
  number,
  area: 100,
  least: 8,
  box: [0, 0, 10, 10],
  anchor: [100 * number, 100],
  fate,
  is_kept: fate !== 'bridge' && fate !== 'leave-out',
  nearest: { to: 0, gap: 4, start: [0, 0], end: [4, 0] },
  calls,
  path: `M${number} 0L9 0L9 9Z`,
});

const pieces = [
  piece(1, 'keep', { dish: '2026-05-10T12:00:00Z' }),
  piece(2, 'bridge'),
  piece(3, 'leave-out'),
  piece(4, null),
];
const findings: Finding[] = [
  {
    code: 'web-thin',
    severity: 'stop',
    at: [5, 5],
    measured: 2,
    limit: 4,
    message: 'Too thin.',
    piece: null,
  },
  {
    code: 'live-text',
    severity: 'warn',
    at: null,
    measured: null,
    limit: null,
    message: 'Text.',
    piece: null,
  },
];
const base = { picture, pieces, findings, unit: 'mm' as const };

describe('the picture', () => {
  it('says what it shows and at which size', () => {
    render(Picture, { ...base, layers: {} });

    expect(screen.getByRole('group').getAttribute('aria-label')).toContain('600 mm by 400 mm');
  });

  it('says the fate of every numbered piece', () => {
    render(Picture, { ...base, layers: { mask: true, numbers: 'all' } });

    const labels = screen.getAllByRole('button').map((mark) => mark.getAttribute('aria-label'));
    expect(labels).toEqual([
      'Loose piece 1, kept',
      'Loose piece 2, bridged',
      'Loose piece 3, left out',
      'Loose piece 4, undecided',
    ]);
  });

  it('tells fates apart by outline, not by colour alone', () => {
    const { container } = render(Picture, { ...base, layers: { numbers: 'all' } });

    const outlines = [...container.querySelectorAll('.mark')].map(
      (mark) => mark.querySelector('path')?.getAttribute('d') ?? mark.querySelector('circle')?.tagName,
    );
    expect(new Set(outlines.slice(0, 3)).size).toBe(3);
  });

  it('marks who answered the roll-call that is on, among the kept', () => {
    render(Picture, { ...base, layers: { numbers: 'kept' }, call: 'dish' });

    const labels = screen.getAllByRole('button').map((mark) => mark.getAttribute('aria-label'));
    expect(labels).toEqual(['Loose piece 1, kept, here', 'Loose piece 4, undecided, missing']);
  });

  it('shows kept pieces and bridges in the mask, nothing of those left out', () => {
    const { container } = render(Picture, { ...base, layers: { mask: true } });

    const keepers = [...container.querySelectorAll('.keeper')].map((path) => path.getAttribute('d'));
    expect(keepers).toEqual(['M1 0L9 0L9 9Z', 'M4 0L9 0L9 9Z']);
    expect(container.querySelectorAll("path[fill='url(#tie)']")).toHaveLength(1);
  });

  it('puts findings that have a place where they are', () => {
    const { container } = render(Picture, { ...base, layers: { findings: true } });

    const marks = container.querySelectorAll('.finding');
    expect(marks).toHaveLength(1);
    expect(marks[0]?.textContent).toContain('Too thin.');
  });

  it('draws sheets, placements and pins where asked', () => {
    const { container } = render(Picture, {
      ...base,
      layers: { patches: true, placements: true, pins: true },
    });

    expect(screen.getByText('Sheet 1')).toBeTruthy();
    expect(container.querySelectorAll('.placement')).toHaveLength(1);
    expect(container.querySelectorAll('.pin')).toHaveLength(1);
  });

  it('draws an oval blank as one', () => {
    const { container } = render(Picture, { ...base, picture: { ...picture, shape: 'oval' }, layers: {} });

    expect(container.querySelector('ellipse.blank')?.getAttribute('rx')).toBe('300');
  });
});
