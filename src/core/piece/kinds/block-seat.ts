import { STARTING_SHAPES } from '../schema/shapes';
import { kind, main, SEAT_WORDS } from './kind';

export const blockSeat = kind({
  id: 'block-seat',
  name: 'Block seat',
  special: 'The foam is the structure; thin boards only to staple into.',
  traits: { sat: true, loose: true },
  shapes: ['rectangle', 'trapezoid', 'd', 'drawn'],
  words: SEAT_WORDS,
  supports: 'solid',
  loader: 'seated',
  start: {
    shape: STARTING_SHAPES.rectangle,
    board: { material: 'plywood', thickness: 9 },
    pads: [main('seat-extra-firm', 100), main('seat-extra-firm', 100, { id: 'upper' })],
    way: 'block',
  },
});
