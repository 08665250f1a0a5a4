import { record, tag } from '../fields';
import { padRim } from './rim';
import { rimWidth, whole } from './shared';

/** As wide as it starts, mm. */
const WIDTH = 40;

/** Only a roll along the rim: a half round laid there, flattened or raised to its thickness. */
export const roll = padRim({
  id: 'roll',
  name: 'Edge roll only',
  schema: record({ kind: tag('roll'), width: rimWidth('Roll width', WIDTH) }),
  soft: false,
  narrow: true,
  first: () => ({ kind: 'roll' as const, width: WIDTH }),
  step: () => 0,
  thickness({ width }, { thickness, away }) {
    const inward = away();
    return inward >= width ? 0 : thickness * Math.sqrt(Math.max(0, 1 - ((2 * inward) / width - 1) ** 2));
  },
  isThere: ({ width }, away) => away <= width + 1e-6,
  reach: ({ width }) => width,
  words: ({ width }) => `Cut its middle out, so that a ring ${whole(width)} mm wide is left along the rim, and carve that to a half round.`,
  work: 'rim',
});
