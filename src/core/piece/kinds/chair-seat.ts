import { STARTING_SHAPES } from '../schema/shape-kinds';
import { crown, kind, main, SEAT_WORDS } from './kind';

export const chairSeat = kind({
  id: 'chair-seat',
  signed: { width: [640, 690], height: [610, 660], why: '450 × 420, 70 of foam: 50 to 55 down the side, 18 under, 35 to hold' },
  name: 'Chair seat',
  special: 'Drop-in board, often in sets; may have notches for back posts.',
  traits: { sat: true },
  shapes: ['trapezoid', 'rectangle', 'bowed', 'round', 'd', 'quad'],
  words: SEAT_WORDS,
  supports: 'frame',
  loader: 'seated',
  start: {
    shape: STARTING_SHAPES.trapezoid,
    board: { material: 'plywood', thickness: 12 },
    pads: [crown(20), main('seat-firm', 50, { trim: true })],
    way: 'pull-over',
  },
});
