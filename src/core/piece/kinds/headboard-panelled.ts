import { BOARD_WORDS, kind, main } from './kind';

export const headboardPanelled = kind({
  id: 'headboard-panelled',
  name: 'Headboard or wall, panelled',
  special: 'Equal panels side by side, laid out from the middle of the wall.',
  traits: { wall: true },
  shapes: ['rectangle', 'arched', 'drawn'],
  words: BOARD_WORDS,
  supports: 'solid',
  loader: 'leaning',
  start: {
    shape: { type: 'rectangle', width: 435, depth: 600, cornerRadius: { front: 0, back: 0 } },
    board: { material: 'plywood', thickness: 12 },
    pads: [main('seat-medium', 40, { offset: 0 })],
    way: 'pull-over',
    panels: { across: 1800, gap: 20, count: 4 },
  },
});
