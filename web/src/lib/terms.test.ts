import { describe, expect, it } from 'vitest';
import { parted } from './terms';

const window = { word: 'Window', forms: ['windows', 'window'], meaning: 'An opening.' };
const peel = { word: 'Tape hinge', forms: ['tape hinges', 'tape hinge'], meaning: 'When to peel.' };
const neck = { word: 'Neck', forms: ['necks', 'neck'], meaning: 'A narrow place.' };

const told = (text: string) =>
  parted(text, [window, peel, neck]).map((part) => [part.text, part.term?.word ?? null]);

describe('words of the trade in a text', () => {
  it('sets a word apart where it stands first, in the form it has', () => {
    expect(told('15 windows to weed: one window tears.')).toEqual([
      ['15 ', null],
      ['windows', 'Window'],
      [' to weed: one window tears.', null],
    ]);
  });

  it('takes the longer of two words, and none inside another word', () => {
    expect(told('Mind the tape hinge, not the necklace')).toEqual([
      ['Mind the ', null],
      ['tape hinge', 'Tape hinge'],
      [', not the necklace', null],
    ]);
  });

  it('leaves a text without any as it is, and loses nothing of one with several', () => {
    expect(told('Let it dry.')).toEqual([['Let it dry.', null]]);
    const text = 'A neck beside a Window';
    expect(
      parted(text, [window, neck])
        .map((part) => part.text)
        .join(''),
    ).toBe(text);
    expect(parted('', [window])).toEqual([]);
  });
});
