import { kind, main, SEAT_WORDS } from './kind';

export const blockSeat = kind({
  id: 'block-seat',
  signed: { width: [818, 832], height: [688, 702], why: '800 × 670 and two allowances' },
  name: 'Block seat',
  special: 'The foam is the structure; thin boards only to staple into.',
  traits: { sat: true, loose: true },
  shapes: ['rectangle', 'trapezoid', 'd', 'drawn'],
  words: SEAT_WORDS,
  supports: 'solid',
  loader: 'seated',
  start: {
    shape: { type: 'rectangle', width: 800, depth: 670, cornerRadius: { front: 20, back: 20 } },
    board: { material: 'plywood', thickness: 9 },
    pads: ['lowest', 'lower', 'upper', 'top'].map((id) => main('seat-firm', 100, { id, offset: 0 })),
    way: 'block',
    // Round curves tighter than 75 mm a strip on the bias lies better.
    welt: { cut: 'bias' },
  },
});
