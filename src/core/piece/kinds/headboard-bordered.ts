import { crown, kind, main, BOARD_WORDS, WALL_LINE } from './kind';

export const headboardBordered = kind({
  id: 'headboard-bordered',
  signed: {
    width: [1356, 1381],
    height: [856, 881],
    why: '1500 × 1000 less the border of 100 all round, and a hand’s 35 to pull on where it is stapled to the lip',
  },
  name: 'Headboard, bordered',
  special: 'Inner panel edged by a hard strip, mitred border over rolls.',
  traits: { wall: true },
  shapes: ['rectangle', 'arched', 'stepped', 'crowned', 'drawn'],
  words: BOARD_WORDS,
  supports: 'two-rails',
  loader: 'leaning',
  start: {
    shape: { type: 'rectangle', width: 1500, depth: 1000, cornerRadius: { front: 0, back: 0 } },
    board: { material: 'plywood', thickness: 18 },
    // The dome lies inside the lip: the border round it is flat over its own foam.
    pads: [{ ...crown(20), offset: -115 }, main('seat-medium-soft', 50, { offset: 0 })],
    way: 'bordered',
    overrides: WALL_LINE,
  },
});
