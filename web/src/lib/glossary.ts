/** The words of the trade, each in a sentence: shown where they are met first, and all together. */
export const GLOSSARY: readonly (readonly [string, string])[] = [
  ['Blank', 'The thing you print on: a mat, a shirt, a towel.'],
  ['Mask', 'The sheet that stays on the blank and protects it; what is cut out of it gets painted.'],
  ['Window', 'An opening in the mask, where the paint goes.'],
  ['Loose piece', 'A part of the mask that falls out when it is cut, such as the centre of an O.'],
  ['Keeper', 'A loose piece that is kept and put in its place by hand, or carried there on tape.'],
  ['Bridge', 'A thin strip of mask that ties a loose piece to the rest; it leaves a small gap in the paint.'],
  ['Neck', 'A narrow place in the mask, held at both ends. Too narrow, it tears when you weed.'],
  ['Tongue', 'A narrow strip of mask with a free end. It lifts if you brush against its tip.'],
  ['Weeding', 'Taking out the parts that are to be painted, so that everything else stays.'],
  ['Patch', 'A part of a large mask that is cut in one piece; several lie on one sheet.'],
  ['Seam', 'Where two patches of one mask meet on the blank.'],
  ['Facing', 'Which side of the material lies up under the knife; it decides whether the cut is mirrored.'],
  ['Placement', 'One rest of the iron or press; a large mask takes several.'],
  ['Peel window', 'From when to when the mask should come off after the last coat.'],
];

/** The marks on a picture: an outline in a box of 24 by 24, whether it is filled, and what it means. */
export const MARKS: readonly (readonly [string, 'line' | 'filled' | 'broken' | 'signal', string])[] = [
  ['M12 2a10 10 0 1 0 .1 0z', 'broken', 'A loose piece nobody has decided about'],
  ['M12 2a10 10 0 1 0 .1 0z', 'line', 'A loose piece that is kept'],
  ['M3 3h18v18H3z', 'signal', 'A loose piece held by bridges'],
  ['M12 1l11 11-11 11L1 12z', 'filled', 'A loose piece left out: its place is painted'],
  ['M1 3h22L12 23z', 'filled', 'A loose piece dropped with the artwork around it'],
  ['M4 4l16 16M20 4L4 20', 'signal', 'A neck: narrow, it tears when you weed'],
  ['M2 12h14M10 5l9 7-9 7', 'signal', 'A tongue: dab from its root along the arrow'],
  ['M12 3a9 9 0 1 0 .1 0z', 'signal', 'A place to look at; press the line in the list to see what helps'],
];

/** What each station is for, in two sentences. */
export const STATION_GUIDE: Readonly<Record<string, string>> = {
  blank:
    'Say what you print on and how large it really is. Sizes on labels are often wrong by a few millimetres, so lay a tape on it.',
  artwork:
    'Put the design together and see whether it is large enough for this surface. The bar shows from which width everything holds.',
  mask: 'Choose what the mask is cut from and decide what happens to every loose piece. Undecided pieces count as kept.',
  sheets:
    'Choose your cutter and download the files. Each file has been cut in simulation and compared with the plan.',
  weed: 'Take out the windows in the order of their numbers. At the end count the pieces you keep: none may be missing.',
  tack: 'Lay the mask by the distances to the edges, then fix it step by step. Press where the picture shows the rests of the plate.',
  paint: 'Paint the coats in their order. Each tick starts the clock for the next coat and for the peel.',
  peel: 'Take the mask off within its window, low and slow. Tick off every piece, so that none stays in the print.',
  cure: 'Let it dry, set and seal it, and see when it may be used and washed. Nothing is ready before the last coating is.',
  record: 'Write down how it turned out. Your next job is easier with what you learnt from this one.',
};
