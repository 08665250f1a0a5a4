import { STARTING_SHAPES } from '../schema/shapes';
import { BOARD_WORDS, kind, main } from './kind';

export const headboardNailed = kind({
  id: 'headboard-nailed',
  name: 'Headboard, nailed or buttoned',
  special: 'Foam held back from a bare margin so that nails bite wood.',
  traits: { wall: true },
  shapes: ['rectangle', 'arched', 'crowned', 'stepped', 'drawn'],
  words: BOARD_WORDS,
  supports: 'two-rails',
  loader: 'leaning',
  start: {
    shape: STARTING_SHAPES.rectangle,
    board: { material: 'plywood', thickness: 18 },
    // Under a nail line the foam is held back, so that the nails bite wood.
    pads: [main('seat-medium', 40, { offset: -50 })],
    way: 'nail-edged',
  },
});
