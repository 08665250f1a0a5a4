import { STARTING_SHAPES } from '../schema/shapes';
import { kind, main, SEAT_WORDS } from './kind';

export const saddle = kind({
  id: 'saddle',
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
    pads: [main('chip-firm', 50)],
    way: 'saddle-set',
    // There is little room behind a pan's rim.
    overrides: { return: 25 },
  },
});
