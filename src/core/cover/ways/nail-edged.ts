import { mm, pulledReach } from './parts';
import type { Way } from './way';

export const nailEdged: Way = {
  id: 'nail-edged',
  name: 'Nail-edged',
  words: 'Pulled over, with a line of nails in the bare margin.',
  pulled: true,
  fields: [],
  nails: 'always',
  overNotches: true,
  reach: pulledReach({ label: 'Under the board, to the staples', rule: 'return' }),
  suits: ({ bare, rule, cloth }) => ({
    against: [
      [bare < rule('nailMargin') / 2, true, `Nails would stand over foam: hold the pads back ${mm(rule('nailMargin'))}.`],
      [cloth.coated, false, 'Every nail through coated cloth is a hole for good: mark twice.'],
    ],
    good: 'The bare margin lets nails bite wood.',
  }),
};
