import { kind, main, BOARD_WORDS, WALL_LINE } from './kind';

export const headboardPanelled = kind({
  id: 'headboard-panelled',
  signed: { width: [560, 600], height: [1080, 1130], why: '375 × 900, 40 of foam, 30 under' },
  name: 'Headboard or wall, panelled',
  special: 'Equal panels side by side, laid out from the middle of the wall.',
  traits: { wall: true },
  shapes: ['rectangle', 'arched', 'drawn'],
  words: BOARD_WORDS,
  supports: 'solid',
  loader: 'leaning',
  start: {
    shape: { type: 'rectangle', width: 375, depth: 900, cornerRadius: { front: 0, back: 0 } },
    board: { material: 'plywood', thickness: 12 },
    pads: [main('seat-medium', 40, { offset: 0 })],
    way: 'pull-over',
    overrides: WALL_LINE,
    // Covered, each is 8 mm wider than its board.
    panels: { across: 1526, gap: 3, count: 4 },
  },
});
