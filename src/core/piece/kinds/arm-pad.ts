import { STARTING_SHAPES } from '../schema/shapes';
import { kind, main, SEAT_WORDS } from './kind';

export const armPad = kind({
  id: 'arm-pad',
  name: 'Arm rest or console pad',
  special: 'A thin board under firm layered foam.',
  shapes: ['rectangle', 'd', 'oval', 'two-tapes', 'drawn'],
  words: SEAT_WORDS,
  supports: 'solid',
  loader: 'elbow',
  start: {
    shape: STARTING_SHAPES.rectangle,
    board: { material: 'plywood', thickness: 9 },
    pads: [main('chip-firm', 20), main('seat-firm', 25, { id: 'top' })],
    way: 'boxed',
  },
});
