import { kind, main, SEAT_WORDS } from './kind';

export const tightSeat = kind({
  id: 'tight-seat',
  signed: { width: [790, 870], height: [740, 820], why: '560 × 510, 25 of foam, 110 through the frame' },
  name: 'Tight seat in a frame',
  special: 'The deck passes between rails; notches where posts stand.',
  traits: { sat: true, throughFrame: true },
  shapes: ['trapezoid', 'bowed', 'rectangle', 'quad', 'offsets'],
  words: SEAT_WORDS,
  supports: 'frame',
  loader: 'seated',
  start: {
    shape: { type: 'rectangle', width: 560, depth: 510, cornerRadius: { front: 0, back: 0 } },
    board: { material: 'webbing', thickness: 20 },
    pads: [main('seat-firm', 25, { offset: 0 })],
    way: 'tight-deck',
    base: { deck: { kind: 'elastic', give: 30, rail: 40 } },
  },
});
