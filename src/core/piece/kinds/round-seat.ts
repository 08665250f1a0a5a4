import { STARTING_SHAPES } from '../schema/shapes';
import { kind, main, SEAT_WORDS } from './kind';

export const roundSeat = kind({
  id: 'round-seat',
  name: 'Round seat, boxed',
  special: 'Top panel and band with a welt above and below.',
  traits: { sat: true },
  shapes: ['round', 'oval', 'd'],
  words: SEAT_WORDS,
  supports: 'frame',
  loader: 'seated',
  start: {
    shape: STARTING_SHAPES.round,
    board: { material: 'plywood', thickness: 15 },
    pads: [main('seat-firm', 75)],
    way: 'boxed',
  },
});
