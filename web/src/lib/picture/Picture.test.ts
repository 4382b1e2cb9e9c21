import { render, screen } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import type { Finding, Picture as Drawn, Piece } from '../api/client';
import BridgeHandles from './BridgeHandles.svelte';
import CollarLayer from './CollarLayer.svelte';
import FindingLayer from './FindingLayer.svelte';
import { layer } from './layers';
import MaskLayer from './MaskLayer.svelte';
import NumberLayer from './NumberLayer.svelte';
import OverhangLayer from './OverhangLayer.svelte';
import PatchLayer from './PatchLayer.svelte';
import Picture from './Picture.svelte';
import PinLayer from './PinLayer.svelte';
import PlacementLayer from './PlacementLayer.svelte';
import TapeLayer from './TapeLayer.svelte';
import WeakMarks from './WeakMarks.svelte';

const READS = { left: '50 mm', right: '50 mm', top: '50 mm', bottom: '50 mm' };
const picture: Drawn = {
  width: 600,
  height: 400,
  outline: 'M0 0L600 0L600 400L0 400Z',
  rim: 0,
  base: '',
  base_colour: '#ffffff',
  overhang: '',
  guides_x: [],
  guides_y: [],
  collar: null,
  clear: [],
  blank_colour: '#b08a57',
  colours: [{ colour: '#22313a', path: 'M0 0L9 0L9 9Z' }],
  field_colour: null,
  mask_colour: '#7d9a6a',
  aligned: false,
  from_back: false,
  mask_box: [10, 10, 590, 390],
  masks: [
    {
      number: 1,
      name: 'the mask',
      colour: null,
      is_reverse: false,
      frame: 'M0 0L600 0L600 400Z',
      box: [10, 10, 590, 390],
      bridges: [
        {
          piece: 2,
          to: 0,
          index: 0,
          start: [1, 1],
          end: [5, 1],
          width: 3,
          length: 4,
          by_hand: false,
          path: 'M1 1L5 1L5 2Z',
        },
      ],
      bridged_area: 12,
      patches: [{ sheet: 1, number: 1, box: [10, 10, 590, 390] }],
      passes: [
        {
          name: 'bare',
          celsius: 160,
          seconds: 20,
          placements: [{ number: 1, box: [10, 10, 110, 190], under_rim: [] }],
        },
      ],
      pins: [{ number: 1, at: [20, 20], lean: [0, -1], holds: 'corner', piece: null }],
      placing: [1],
      datum: 'edges',
      marks: [],
      distances: [{ to: 'artwork', datum: 'edges', left: 50, right: 50, top: 50, bottom: 50, reads: READS }],
      readings: [],
      covers: [],
      painted_box: [50, 50, 550, 350],
    },
  ],
  painted_box: [50, 50, 550, 350],
  margin: 'M30 30L570 30L570 370L30 370Z',
};

const piece = (number: number, fate: Piece['fate']): Piece => ({
  number,
  mask: 1,
  where: `centre of letter ${number}`,
  is_here: fate !== 'leave-out',
  bridges: 0,
  area: 100,
  width: 10,
  least: 8,
  box: [0, 0, 10, 10],
  anchor: [100 * number, 100],
  fate,
  is_kept: fate !== 'bridge' && fate !== 'leave-out',
  nearest: { to: 0, gap: 4, start: [0, 0], end: [4, 0] },
  path: `M${number} 0L9 0L9 9Z`,
});

const pieces = [piece(1, 'keep'), piece(2, 'bridge'), piece(3, 'leave-out'), piece(4, null)];
const findings: Finding[] = [
  {
    key: 'web-thin/0/5.0/5.0',
    element: null,
    code: 'web-thin',
    station: 'artwork',
    severity: 'stop',
    at: [5, 5],
    measured: 2,
    limit: 4,
    message: 'Too thin.',
    piece: null,
  },
  {
    key: 'notice/0',
    element: null,
    code: 'live-text',
    station: 'artwork',
    severity: 'warn',
    at: null,
    measured: null,
    limit: null,
    message: 'Text.',
    piece: null,
  },
];
const base = { picture, unit: 'mm' as const };
const kept = pieces.filter((one) => one.is_kept);
const held = { ongrip: () => undefined, ondrag: () => undefined, onput: () => undefined };

describe('the picture', () => {
  it('says what it shows and at which size', () => {
    render(Picture, { ...base, layers: [] });

    expect(screen.getByRole('group').getAttribute('aria-label')).toContain('600 mm by 400 mm');
  });

  it('says the fate of every numbered piece', () => {
    render(Picture, { ...base, layers: [layer(MaskLayer, { pieces }), layer(NumberLayer, { pieces })] });

    const labels = screen.getAllByRole('button').map((mark) => mark.getAttribute('aria-label'));
    expect(labels).toEqual([
      'Loose piece 1, kept',
      'Loose piece 2, bridged',
      'Loose piece 3, left out',
      'Loose piece 4, undecided',
    ]);
  });

  it('tells fates apart by outline, not by colour alone', () => {
    const { container } = render(Picture, {
      ...base,
      lifeSize: true,
      layers: [layer(NumberLayer, { pieces })],
    });

    const outlines = [...container.querySelectorAll('.mark')].map(
      (mark) => mark.querySelector('path')?.getAttribute('d') ?? mark.querySelector('circle')?.tagName,
    );
    expect(new Set(outlines.slice(0, 3)).size).toBe(3);
  });

  it('shows dots in place of numbers where they would cover the print', () => {
    const crowd = Array.from({ length: 40 }, (_, k) => piece(k + 1, 'keep'));
    const { container } = render(Picture, {
      ...base,
      layers: [layer(NumberLayer, { pieces: crowd, selected: 7 })],
    });

    expect([...container.querySelectorAll('.mark text')].map((text) => text.textContent)).toEqual(['7']);
    expect(container.querySelectorAll('.mark').length).toBe(40);
  });

  it('marks who answered the roll-call that is on, among the kept', () => {
    render(Picture, { ...base, layers: [layer(NumberLayer, { pieces: kept, present: [1] })] });

    const labels = screen.getAllByRole('button').map((mark) => mark.getAttribute('aria-label'));
    expect(labels).toEqual(['Loose piece 1, kept, here', 'Loose piece 4, undecided, missing']);
  });

  it('turns a blank that is worked from its back over, what is left to the left', () => {
    const off = {
      ...picture,
      from_back: true,
      painted_box: [50, 50, 450, 350] as typeof picture.painted_box,
    };
    const reads = { ...READS, left: '150 mm' };
    const distances = [
      { to: 'artwork', datum: 'edges' as const, left: 150, right: 50, top: 50, bottom: 50, reads },
    ];
    const masks = picture.masks.map((mask) => ({ ...mask, painted_box: off.painted_box, distances }));
    const { container } = render(Picture, {
      ...base,
      picture: { ...off, masks },
      layers: [layer(MaskLayer, { pieces }), layer(TapeLayer, {})],
      back: true,
    });

    const readings = [...container.querySelectorAll('.tape text')].map((text) => [
      text.textContent,
      Number(text.getAttribute('x')),
    ]);
    const [left, right] = readings as [[string, number], [string, number]];
    expect([left[0], right[0]]).toEqual(['150 mm', '50 mm']);
    expect(left[1]).toBeLessThan(right[1]);
    expect(container.querySelector('.turned')).not.toBeNull();
  });

  it('shows kept pieces and bridges in the mask, nothing of those left out', () => {
    const { container } = render(Picture, { ...base, layers: [layer(MaskLayer, { pieces })] });

    const keepers = [...container.querySelectorAll('.keeper')].map((path) => path.getAttribute('d'));
    expect(keepers).toEqual(['M1 0L9 0L9 9Z', 'M4 0L9 0L9 9Z']);
    expect(container.querySelectorAll("path[fill='url(#tie)']")).toHaveLength(1);
  });

  it('puts findings that have a place where they are', () => {
    const { container } = render(Picture, {
      ...base,
      layers: [layer(FindingLayer, { findings, lookedAt: null })],
    });

    const marks = container.querySelectorAll('.finding');
    expect(marks).toHaveLength(1);
    expect(marks[0]?.textContent).toContain('Too thin.');
  });

  it('draws sheets, placements and pins where asked', () => {
    const { container } = render(Picture, {
      ...base,
      layers: [layer(PatchLayer, { seams: [] }), layer(PlacementLayer, {}), layer(PinLayer, {})],
    });

    expect(screen.getByText('1 (sheet 1)')).toBeTruthy();
    expect(container.querySelectorAll('.placement')).toHaveLength(1);
    expect(container.querySelectorAll('.pin')).toHaveLength(1);
  });

  it('draws the blank by its outline, a rim around it, and what runs over its edge', () => {
    const odd = { ...picture, outline: 'M0 0L9 0L5 9Z', rim: 8, overhang: 'M0 0L1 0L1 1Z' };
    const { container } = render(Picture, { ...base, picture: odd, layers: [layer(OverhangLayer, {})] });

    expect(container.querySelector('.blank')?.getAttribute('d')).toBe('M0 0L9 0L5 9Z');
    expect(container.querySelector('.rim')?.getAttribute('stroke-width')).toBe('16');
    expect(container.querySelectorAll('.overhang')).toHaveLength(1);
  });

  it('shows how far below the collar a design goes', () => {
    const collar = { at: [255, 79] as [number, number], top: 154, middle: 255 };
    render(Picture, { ...base, picture: { ...picture, collar }, layers: [layer(CollarLayer, {})] });

    expect(screen.getByText('75 mm')).toBeTruthy();
  });

  it('shows the mask in its own colour, and the print where it is peeled back', () => {
    const { container, rerender } = render(Picture, { ...base, layers: [layer(MaskLayer, { pieces })] });
    expect(container.querySelector('.sheet')?.parentElement?.getAttribute('fill')).toBe('#7d9a6a');
    expect(container.querySelectorAll('.lip')).toHaveLength(0);

    void rerender({ ...base, layers: [layer(MaskLayer, { pieces, peeled: 0.5 })] });

    expect(container.innerHTML).toContain('clipPath');
  });

  it('points along tongues and crosses necks', () => {
    const weak = (['neck', 'tongue'] as const).map((kind, index) => ({
      key: kind,
      kind,
      mask: 1,
      listed: true,
      severity: 'warn' as const,
      at: [10, 10] as [number, number],
      tip: kind === 'tongue' ? ([10, 20] as [number, number]) : null,
      toward: kind === 'tongue' ? ([0, 1] as [number, number]) : null,
      width: 2,
      length: 10,
      limit: 4,
      message: `No. ${index}`,
      path: [
        [10, 0],
        [10, 20],
      ] as [number, number][],
    }));
    const { container } = render(Picture, {
      ...base,
      layers: [layer(WeakMarks, { places: weak, lookedAt: null })],
    });
    expect(container.querySelectorAll('.weak')).toHaveLength(2);
    expect(container.querySelectorAll('.head')).toHaveLength(1);
    expect(container.querySelectorAll('.pinch')).toHaveLength(1);
  });

  it('offers handles for the bridges of the chosen piece only', () => {
    const handles = (piece: number) => [layer(BridgeHandles, { ...held, piece, hand: null })];
    render(Picture, { ...base, layers: handles(2) });
    expect(screen.getByLabelText('Bridge 1 of piece 2')).toBeTruthy();

    const { container } = render(Picture, { ...base, layers: handles(1) });
    expect(container.querySelectorAll('.handle')).toHaveLength(0);
  });
});
