import { defaultsOf, length, PLAN, record, tag } from '../fields';
import { padForm } from './form';
import { across, acrossHandle, acrossSize, atMostAway, bell, BY, endsAcross, middleOf, REACH, takenOut, whole, within } from './shared';

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
  ...across,
  ...takenOut,
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
  thickness:
    ({ y, length: long, by }, _, __, level) =>
    (at) =>
      Math.max(0, level(at) - by * bell(Math.abs((2 * (at[1] - y)) / long))),
  spots: ({ y, length: long, by }, [x]) => ({ at: [x, y], rim: endsAcross(x, y, long), sign: 1, by }),
  words: ({ y, length: long, by }, _, place) =>
    `Hold the stencil to both sides, draw the dip and cut from line to line: ${whole(by)} mm deep, ${whole(long)} mm long, its middle ${place(0, y)}.`,
  size: (profile, pad) => acrossSize(profile, pad, { way: 'deep', name: 'Dips by' }),
  handles: (profile, cut) => acrossHandle(profile, cut, 'Dip, how deep'),
});
