import { BOARD_WORDS, kind, main } from './kind';

export const backCushion = kind({
  id: 'back-cushion',
  signed: { width: [518, 540], height: [438, 460], why: '500 × 420 finished, twelve of seam on either side' },
  name: 'Back cushion, loose',
  special: 'A softer pad in a zipped cover; stands against a back.',
  traits: { loose: true, upright: true },
  shapes: ['rectangle', 'trapezoid', 'bowed', 'arched', 'drawn'],
  words: BOARD_WORDS,
  supports: 'solid',
  loader: 'leaning',
  start: {
    shape: { type: 'rectangle', width: 500, depth: 420, cornerRadius: { front: 15, back: 15 } },
    board: { material: 'plywood', thickness: 12 },
    pads: [main('seat-medium-soft', 100, { offset: 0 })],
    way: 'block',
  },
});
