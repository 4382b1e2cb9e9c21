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
