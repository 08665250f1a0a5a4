import { pulledReach } from './parts';
import type { Way } from './way';

export const buttoned: Way = {
  id: 'buttoned',
  name: 'Buttoned',
  words: 'Pulled over, drawn in by buttons on a grid.',
  pulled: true,
  fields: [],
  buttons: 'always',
  overNotches: true,
  reach: pulledReach({ label: 'Under the board, to the staples', rule: 'return' }),
  suits: ({ traits, striped, cloth }) => ({
    against: [
      [traits.pan, true, 'Buttons let the rain in.'],
      [striped, false, 'Buttons draw stripes out of line.'],
      [cloth.coated, false, 'Coated cloth puckers round a deep button.'],
    ],
    good: 'Padding thick enough to be drawn in.',
  }),
};
