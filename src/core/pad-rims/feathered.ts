import { record, tag } from '../fields';
import { padRim } from './rim';
import { rimWidth, whole } from './shared';

/** As wide as it starts, mm. */
const WIDTH = 25;

/** Carved away to nothing over a width. */
export const feathered = padRim({
  id: 'feathered',
  name: 'Feathered',
  schema: record({ kind: tag('feathered'), width: rimWidth('Feather', WIDTH) }),
  soft: true,
  first: () => ({ kind: 'feathered' as const, width: WIDTH }),
  step: () => 0,
  thickness: ({ width }, { thickness, away }) => thickness * Math.min(1, away() / width),
  reach: ({ width }) => width,
  words: ({ width }) =>
    `Draw a line ${whole(width)} mm in from the edge all round on its top, and carve from it down to nothing at the lower edge.`,
  work: 'rim',
});
