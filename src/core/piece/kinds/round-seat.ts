import { kind, main, SEAT_WORDS } from './kind';

export const roundSeat = kind({
  id: 'round-seat',
  signed: { width: [374, 384], height: [374, 384], why: 'top as large as the board, and two allowances of 12' },
  name: 'Round seat, boxed',
  special: 'Top panel and band with piping above and below.',
  traits: { sat: true },
  shapes: ['round', 'oval', 'd'],
  words: SEAT_WORDS,
  supports: 'frame',
  loader: 'seated',
  start: {
    shape: { type: 'round', diameter: 355 },
    board: { material: 'plywood', thickness: 12 },
    pads: [main('resilient-firm', 75, { trim: true })],
    way: 'boxed',
  },
});
