import { record, tag } from '../fields';
import { padRim } from './rim';
import { rimWidth, whole } from './shared';

/** A bevel takes this share of the pad away at the very rim; the rest is left to hold the cover. */
const BEVEL = 0.6;

/** As wide as it starts, mm. */
const WIDTH = 20;

/** Its underside cut away over a width, so that the top rolls down. */
export const bevelled = padRim({
  id: 'bevelled',
  name: 'Underside bevelled',
  schema: record({ kind: tag('bevelled'), width: rimWidth('Bevel', WIDTH) }),
  soft: false,
  first: () => ({ kind: 'bevelled' as const, width: WIDTH }),
  step: (_, thickness) => thickness,
  thickness: (_, { thickness }) => thickness,
  lift: ({ width }, thickness, away) => (away >= width ? 0 : BEVEL * thickness * (1 - away / width)),
  reach: ({ width }) => width,
  words: ({ width }, thickness) =>
    `Turn it over, draw a line ${whole(width)} mm in from the edge all round, and cut from it to a line ${whole(BEVEL * thickness)} mm up its side.`,
  work: 'rim',
});
