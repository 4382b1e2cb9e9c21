import { render, screen } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import { LIMITS } from '../limits';
import Slide from './Slide.svelte';

const LIMIT = { least: -50, most: 900, step: 5 };
const context = new Map([[LIMITS, () => ({ 'words.arc': LIMIT })]]);
const PLAIN = { label: 'Radius', entry: 'words.arc', value: 400, show: String, onchange: vi.fn() };
const ends = ({ min, max, step }: HTMLInputElement) => [min, max, step];
const slider = () => ends(screen.getByRole<HTMLInputElement>('slider'));

describe('a slide', () => {
  it('runs over what its entry may be', () => {
    render(Slide, { props: PLAIN, context });

    expect(slider()).toEqual(['-50', '900', '5']);
  });

  it('runs over less where less makes sense, never over more', () => {
    render(Slide, { props: { ...PLAIN, min: 10, max: 2000 }, context });

    expect(slider()).toEqual(['10', '900', '5']);
  });

  it('keeps its own ends while limits are on their way', () => {
    render(Slide, { ...PLAIN, min: 200, max: 1500, step: 1 });

    expect(slider()).toEqual(['200', '1500', '1']);
  });
});
