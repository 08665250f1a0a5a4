import { STARTING_SHAPES } from '../schema/shape-kinds';
import { kind, main, SEAT_WORDS } from './kind';

export const saddle = kind({
  id: 'saddle',
  signed: { width: [260, 310], height: [620, 670], why: 'a pan of 260 × 615: the top comes to its shoulders' },
  name: 'Vehicle saddle',
  special: 'A moulded pan; cross-sections along its centre line.',
  traits: { sat: true, pan: true },
  shapes: ['saddle', 'offsets', 'drawn'],
  words: SEAT_WORDS,
  supports: 'frame',
  loader: 'saddle',
  start: {
    shape: STARTING_SHAPES.saddle,
    board: { material: 'moulded-plastic', thickness: 4 },
    pads: [main('chip-firm', 50), main('backed-thin', 6, { id: 'smoothing', role: 'topper' })],
    way: 'saddle-set',
    wadding: null,
    cloth: {
      name: 'Coated stretch cloth',
      weave: 'coated stretch',
      fibre: 'synthetic',
      coated: true,
      thickness: 1.1,
      stretchWarp: 16,
      stretchWeft: 22,
    },
    covering: { waterproof: true },
    welt: { cut: 'bias', cord: 5, lower: false },
  },
});
