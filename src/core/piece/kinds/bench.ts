import { kind, main, SEAT_WORDS } from './kind';

export const bench = kind({
  id: 'bench',
  signed: { width: [1455, 1500], height: [655, 700], why: '1200 × 400, 75 of foam: about 140 more on each side' },
  name: 'Bench or lid',
  special: 'Long; foam joined from blocks, parcel-folded ends.',
  traits: { sat: true },
  shapes: ['rectangle', 'kidney', 'quad', 'offsets'],
  words: SEAT_WORDS,
  supports: 'frame',
  loader: 'seated',
  start: {
    shape: { type: 'rectangle', width: 1200, depth: 400, cornerRadius: { front: 0, back: 0 } },
    board: { material: 'plywood', thickness: 18 },
    pads: [main('seat-firm', 75, { blocks: 2, trim: true })],
    way: 'pull-over',
  },
});
