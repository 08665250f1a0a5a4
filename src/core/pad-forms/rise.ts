import { defaultsOf, length, PLAN, record, tag } from '../fields';
import { padForm } from './form';
import { across, acrossHandle, acrossSize, bell, BY, endsAcross, REACH, whole, within } from './shared';

/** A lumbar rise lies about so far up a back. */
const LUMBAR = 0.35;

const schema = record({
  kind: tag('rise'),
  y: length('Its middle, behind the middle', PLAN, { default: 0 }),
  length: length('Front to back', REACH, { default: 300 }),
  by: length('Rises by', BY, { default: 15, reason: 'Fills the small of the back; more pushes the sitter off it.' }),
});

/** A lumbar rise over the whole width of a back. */
export const rise = padForm({
  id: 'rise',
  name: 'A lumbar rise across',
  noun: 'Rise',
  schema,
  ...across,
  up: true,
  first(_, { minY, height }) {
    const start = defaultsOf(schema);
    return { ...start, kind: 'rise' as const, y: whole(minY + LUMBAR * height), length: within(start.length, height) };
  },
  thickest: ({ by }, { high }) => high + by,
  thinnest: (_, { low }) => low,
  thickness:
    ({ y, length: long, by }, _, __, level) =>
    (at) =>
      level(at) + by * bell(Math.abs((2 * (at[1] - y)) / long)),
  spots: ({ y, length: long, by }, [x]) => ({ at: [x, y], rim: endsAcross(x, y, long), sign: -1, by }),
  cure: 'it is pressed flat, make it of firmer foam',
  words: ({ y, length: long, by }, { thickness }, place) =>
    `Cut from a block of ${whole(thickness + by)} mm: hold the stencil to both sides and cut from line to line; the rise is ${whole(by)} mm high, ${whole(long)} mm long, its middle ${place(0, y)}.`,
  size: (profile, pad) => acrossSize(profile, pad, { way: 'high', name: 'Rises by' }),
  handles: (profile, cut) => acrossHandle(profile, cut, 'Rise, how high'),
});
