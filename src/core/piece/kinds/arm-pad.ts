import { kind, main, SEAT_WORDS } from './kind';

export const armPad = kind({
  id: 'arm-pad',
  signed: { width: [368, 382], height: [138, 152], why: '350 × 120 and two allowances' },
  name: 'Arm rest or console pad',
  special: 'A thin board under firm layered foam.',
  shapes: ['rectangle', 'd', 'oval', 'two-tapes', 'drawn'],
  words: SEAT_WORDS,
  supports: 'solid',
  loader: 'elbow',
  start: {
    shape: { type: 'rectangle', width: 350, depth: 120, cornerRadius: { front: 20, back: 20 } },
    board: { material: 'plywood', thickness: 12 },
    pads: [main('seat-extra-firm', 40), main('seat-firm', 10, { id: 'top', role: 'topper' })],
    way: 'boxed',
    // A band in two is turned at the ends without a long strip to handle.
    covering: { joins: 'two' },
    // Round curves tighter than 75 mm a strip on the bias lies better.
    welt: { cut: 'bias' },
    overrides: { return: 12 },
  },
});
