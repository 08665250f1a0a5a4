import { pulledReach } from './parts';
import type { Way } from './way';

/** A cloth thicker than this is not stitched into channels, mm. */
const TOO_THICK = 2;

export const channelled: Way = {
  id: 'channelled',
  name: 'Channelled',
  words: 'One cloth stitched into channels on backed foam, then pulled over.',
  pulled: true,
  fields: [],
  channels: 'always',
  overNotches: true,
  reach: pulledReach({ label: 'Under the board, to the staples', rule: 'return' }),
  suits: ({ striped, pile, cloth }) => ({
    against: [
      [striped, false, 'Stitch lines and stripes seldom fall together.'],
      [pile, false, 'Pile creeps while it is stitched: tack it first.'],
      [cloth.thickness > TOO_THICK, true, 'Too thick to be stitched into channels.'],
    ],
    good: 'The stitching holds the cloth to its foam.',
  }),
};
