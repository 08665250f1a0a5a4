import { STARTING_SHAPES } from '../schema/shapes';
import { kind, main, SEAT_WORDS } from './kind';

export const bench = kind({
  id: 'bench',
  name: 'Bench or lid',
  special: 'Long; foam joined from blocks, parcel-folded ends.',
  traits: { sat: true },
  shapes: ['rectangle', 'kidney', 'quad', 'offsets'],
  words: SEAT_WORDS,
  supports: 'frame',
  loader: 'seated',
  start: {
    shape: STARTING_SHAPES.rectangle,
    board: { material: 'plywood', thickness: 18 },
    pads: [main('seat-firm', 75)],
    way: 'pull-over',
  },
});
