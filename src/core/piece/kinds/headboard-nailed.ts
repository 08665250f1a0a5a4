import { kind, main, BOARD_WORDS, WALL_LINE } from './kind';

export const headboardNailed = kind({
  id: 'headboard-nailed',
  signed: { width: [1560, 1620], height: [860, 920], why: '1400 × 700, foam held back by 50' },
  name: 'Headboard, nailed or buttoned',
  special: 'Foam held back from a bare margin so that nails bite wood.',
  traits: { wall: true },
  shapes: ['rectangle', 'arched', 'crowned', 'stepped', 'drawn'],
  words: BOARD_WORDS,
  supports: 'two-rails',
  loader: 'leaning',
  start: {
    shape: { type: 'crowned', width: 1400, sideHeight: 560, shoulder: 120, height: 700, cornerRadius: { front: 0, back: 20 } },
    board: { material: 'plywood', thickness: 18 },
    // Under a nail line the foam is held back, so that the nails bite wood.
    pads: [main('seat-medium-soft', 40, { offset: -50 })],
    way: 'nail-edged',
    overrides: WALL_LINE,
  },
});
