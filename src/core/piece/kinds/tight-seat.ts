import { STARTING_SHAPES } from '../schema/shapes';
import { crown, kind, main, SEAT_WORDS } from './kind';

export const tightSeat = kind({
  id: 'tight-seat',
  name: 'Tight seat in a frame',
  special: 'The deck passes between rails; notches where posts stand.',
  traits: { sat: true, throughFrame: true },
  shapes: ['trapezoid', 'bowed', 'rectangle', 'quad', 'offsets'],
  words: SEAT_WORDS,
  supports: 'frame',
  loader: 'seated',
  start: {
    shape: STARTING_SHAPES.trapezoid,
    board: { material: 'plywood', thickness: 15 },
    pads: [crown(20), main('seat-firm', 75)],
    way: 'tight-deck',
  },
});
