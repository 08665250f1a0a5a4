import { kind, main, SEAT_WORDS } from '@/core/piece/kinds/kind';

/** A kind of piece that nobody makes. */
export const perch = kind({
  id: 'perch',
  signed: { width: [300, 420], height: [300, 420], why: '200 × 200, 30 of foam' },
  name: 'Perch',
  special: 'A small square to lean on.',
  shapes: ['rectangle'],
  words: SEAT_WORDS,
  supports: 'solid',
  loader: 'seated',
  start: {
    shape: { type: 'rectangle', width: 200, depth: 200, cornerRadius: { front: 20, back: 20 } },
    board: { material: 'plywood', thickness: 12 },
    pads: [main('seat-firm', 30)],
    way: 'pull-over',
  },
});
