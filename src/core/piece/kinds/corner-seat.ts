import { STARTING_SHAPES } from '../schema/shape-kinds';
import { kind, main, SEAT_WORDS } from './kind';

export const cornerSeat = kind({
  id: 'corner-seat',
  signed: { width: [1240, 1290], height: [715, 770], why: '1000 × 480, 75 of foam, overhang only where no wall is' },
  name: 'Built-in or corner seat',
  special: 'Odd angles taken with a bevel; thin board with a frame.',
  traits: { sat: true, loose: true },
  shapes: ['alcove', 'corner', 'bevel', 'quad', 'rectangle'],
  words: SEAT_WORDS,
  supports: 'frame',
  loader: 'seated',
  start: {
    shape: { ...STARTING_SHAPES.alcove, backWidth: 1000, leftDepth: 480, rightDepth: 480 },
    board: { material: 'plywood', thickness: 9 },
    base: { frame: { width: 40, thickness: 20, inset: 0, ribs: 1, ribsFixed: true, stock: 2400, kerf: 3 } },
    pads: [main('seat-firm', 75, { trim: true })],
    way: 'pull-over',
    covering: { edgeTape: true },
  },
});
