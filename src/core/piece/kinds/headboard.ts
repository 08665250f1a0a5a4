import { kind, main, BOARD_WORDS, WALL_LINE } from './kind';

export const headboard = kind({
  id: 'headboard',
  signed: { width: [1680, 1740], height: [830, 890], why: '1500 × 650, 50 of foam, 30 under at the back' },
  name: 'Headboard, plain',
  special: 'A big area; straight, arched, stepped, crowned or drawn top.',
  traits: { wall: true },
  shapes: ['arched', 'rectangle', 'stepped', 'crowned', 'drawn'],
  words: BOARD_WORDS,
  supports: 'two-rails',
  loader: 'leaning',
  start: {
    shape: { type: 'arched', width: 1500, sideHeight: 530, height: 650, cornerRadius: { front: 0, back: 0 } },
    board: { material: 'plywood', thickness: 12 },
    pads: [main('seat-medium-soft', 50, { offset: 0 })],
    cloth: { direction: 'across' },
    way: 'pull-over',
    overrides: WALL_LINE,
  },
});
