import { kind, main, SEAT_WORDS } from './kind';

export const seatCushion = kind({
  id: 'seat-cushion',
  signed: { width: [518, 540], height: [498, 520], why: '500 × 480 finished, twelve of seam on either side' },
  name: 'Seat cushion, loose',
  special: 'Foam wrapped in wadding in a zipped cover; lies on a deck or board.',
  traits: { sat: true, loose: true },
  shapes: ['rectangle', 'trapezoid', 'd', 'round', 'drawn'],
  words: SEAT_WORDS,
  supports: 'solid',
  loader: 'seated',
  start: {
    shape: { type: 'rectangle', width: 500, depth: 480, cornerRadius: { front: 15, back: 15 } },
    board: { material: 'plywood', thickness: 12 },
    pads: [main('seat-firm', 100, { offset: 0 })],
    way: 'block',
  },
});
