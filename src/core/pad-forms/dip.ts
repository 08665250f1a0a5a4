import { defaultsOf, length, PLAN, record, tag } from '../fields';
import { padForm } from './form';
import { acrossHandle, atMostAway, bell, bendsAcross, BY, checkTaken, endsAcross, middleOf, REACH, whole, within } from './shared';

const schema = record({
  kind: tag('dip'),
  y: length('Its middle, behind the middle', PLAN, { default: 0 }),
  length: length('Front to back', REACH, { default: 300 }),
  by: length('Dips by', BY, { default: 15, reason: 'What stops a rider from sliding; a deeper one fixes where they sit.' }),
});

/** A saddle's dip over its whole width. */
export const dip = padForm({
  id: 'dip',
  name: 'A saddle’s dip across',
  noun: 'Dip',
  schema,
  fields: ['by', 'length', 'y'],
  up: false,
  first({ thickness }, extent) {
    const start = defaultsOf(schema);
    return {
      ...start,
      kind: 'dip' as const,
      y: middleOf(extent),
      length: within(start.length, extent.height),
      by: atMostAway(start.by, thickness),
    };
  },
  check({ by }, { low }, report) {
    const wrong = checkTaken(by, low);
    if (wrong) report('by', wrong);
  },
  thickest: (_, { high }) => high,
  thinnest: ({ by }, { low }) => low - by,
  thickness:
    ({ y, length: long, by }, _, __, level) =>
    (at) =>
      Math.max(0, level(at) - by * bell(Math.abs((2 * (at[1] - y)) / long))),
  bends: ({ y, length: long }, at) => bendsAcross([y - long / 2, y, y + long / 2], at, false),
  side: () => ({ corners: [], curved: true, alone: false }),
  spots: ({ y, length: long, by }, [x]) => ({ at: [x, y], rim: endsAcross(x, y, long), sign: 1, by }),
  cure: 'the cover bridges it; glue wadding and cover into it, or hold it with a stitched line or buttons',
  words: ({ y, length: long, by }, _, place) =>
    `Hold the stencil to both sides, draw the dip and cut from line to line: ${whole(by)} mm deep, ${whole(long)} mm long, its middle ${place(0, y)}.`,
  size: ({ length: long, by }, { kept, most }) => ({
    value: long,
    note: `${by} mm deep, front to back; ${kept ? 'as it came' : 'stencil on the templates'}`,
    formula: 'height = by × (1 + cos π·u) ÷ 2, u from its middle to its ends',
    terms: [
      { key: 'by', name: 'Dips by', value: by },
      { key: 'most', name: 'Cut from', value: most },
    ],
  }),
  handles: (profile, cut) => acrossHandle(profile, cut, 'Dip, how deep'),
});
