import { STARTING_SHAPES } from '../schema/shapes';
import { BOARD_WORDS, kind, main } from './kind';

export const headboard = kind({
  id: 'headboard',
  name: 'Headboard, plain',
  special: 'A big area; straight, arched, stepped, crowned or drawn top.',
  traits: { wall: true },
  shapes: ['arched', 'rectangle', 'stepped', 'crowned', 'drawn'],
  words: BOARD_WORDS,
  supports: 'two-rails',
  loader: 'leaning',
  start: {
    shape: STARTING_SHAPES.arched,
    board: { material: 'plywood', thickness: 15 },
    pads: [main('seat-medium', 40, { offset: 0 })],
    cloth: { direction: 'across' },
    way: 'pull-over',
  },
});
