import { STARTING_SHAPES } from '../schema/shapes';
import { BOARD_WORDS, crown, kind, main } from './kind';

export const headboardBordered = kind({
  id: 'headboard-bordered',
  name: 'Headboard, bordered',
  special: 'Inner panel edged by a hard strip, mitred border over rolls.',
  traits: { wall: true },
  shapes: ['rectangle', 'arched', 'stepped', 'crowned', 'drawn'],
  words: BOARD_WORDS,
  supports: 'two-rails',
  loader: 'leaning',
  start: {
    shape: STARTING_SHAPES.rectangle,
    board: { material: 'plywood', thickness: 18 },
    pads: [crown(10), main('seat-medium', 40, { offset: 0 })],
    way: 'bordered',
  },
});
