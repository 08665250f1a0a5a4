import { defaultsOf, length, record, spot, tag } from '../fields';
import { lineEllipse, type Point } from '../outline';
import { padForm } from './form';
import { atMostAway, bell, BY, least, middleOf, REACH, takenOut, whole, within } from './shared';

const schema = record({
  kind: tag('hollow'),
  ...spot,
  width: length('Hollow, left to right', REACH, { default: 320 }),
  length: length('Hollow, front to back', REACH, { default: 300 }),
  by: length('Hollowed out by', BY, {
    default: 12,
    reason: 'Felt, not seen: a hand laid in it tips the fingers. Twice that holds a sitter in one place.',
  }),
});

/** An oval hollow for who sits. */
export const hollow = padForm({
  id: 'hollow',
  name: 'Hollowed for the sitter',
  noun: 'Hollow',
  schema,
  ...takenOut,
  fields: ['by', 'width', 'length', 'x', 'y'],
  first({ thickness }, extent) {
    const start = defaultsOf(schema);
    return {
      ...start,
      kind: 'hollow' as const,
      x: 0,
      y: middleOf(extent),
      width: within(start.width, extent.width),
      length: within(start.length, extent.height),
      by: atMostAway(start.by, thickness),
    };
  },
  thickness:
    ({ x, y, width, length: long, by }, _, __, level) =>
    (at) =>
      Math.max(0, level(at) - by * bell(Math.hypot((2 * (at[0] - x)) / width, (2 * (at[1] - y)) / long))),
  bends: (profile, at) => lineEllipse(profile, at(0), at(1)).map((x) => ({ x, sharp: false })),
  side: () => null,
  spots({ x, y, width, length: long, by }) {
    const rim: Point[] = [
      [x - width / 2, y],
      [x + width / 2, y],
      [x, y - long / 2],
      [x, y + long / 2],
    ];
    return { at: [x, y], rim, sign: 1, by };
  },
  words: ({ x, y, width, length: long, by }, _, place) =>
    `Draw the oval, ${whole(width)} × ${whole(long)} mm, its middle ${place(x, y)}; carve it ${whole(by)} mm deep in the middle, running out to nothing at the line; feel left against right.`,
  size: ({ width, length: long, by }, { least: left }) => ({
    value: width,
    by: long,
    note: `oval, ${by} mm deep in the middle, running out to nothing`,
    formula: 'depth = by × (1 + cos π·r) ÷ 2, r from the middle to the rim',
    terms: [
      { key: 'by', name: 'Hollowed out by', value: by },
      { key: 'left', name: 'Foam left in the middle', value: left },
    ],
  }),
  handles(profile, { origin, direction }) {
    // The foot of its middle on the cut; a cut that passes beside it takes hold of nothing.
    const x = (profile.x - origin[0]) * direction[0] + (profile.y - origin[1]) * direction[1];
    const off = Math.hypot(origin[0] + direction[0] * x - profile.x, origin[1] + direction[1] * x - profile.y);
    if (off > Math.min(profile.width, profile.length) / 4) return [];
    const shifted = (by: number, along: number) => ({
      ...profile,
      by: least(by),
      x: Math.round(profile.x + direction[0] * along),
      y: Math.round(profile.y + direction[1] * along),
    });
    return [{ key: 'hollow', label: 'Hollow, how deep', x, value: profile.by, moved: shifted }];
  },
});
