import { STARTING_SHAPES } from '../schema/shapes';
import { kind, main, SEAT_WORDS } from './kind';

export const cornerSeat = kind({
  id: 'corner-seat',
  name: 'Built-in or corner seat',
  special: 'Odd angles taken with a bevel; thin board with a frame.',
  traits: { sat: true, loose: true },
  shapes: ['alcove', 'corner', 'bevel', 'quad', 'rectangle'],
  words: SEAT_WORDS,
  supports: 'frame',
  loader: 'seated',
  start: {
    shape: STARTING_SHAPES.alcove,
    board: { material: 'plywood', thickness: 12 },
    pads: [main('seat-firm', 75)],
    way: 'pull-over',
  },
});
