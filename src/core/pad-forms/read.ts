import { length, list, record, tag } from '../fields';
import { monotoneThrough } from '../heights';
import { bounds, lineCrossings } from '../outline';
import { padForm } from './form';
import { checkPoints, pointsSize } from './points';
import { ALONG, HIGH, whole } from './shared';

/** A moulded pad as it is read with a straight-edge and a tape: so far from the near edge, so thick in the middle and at either side. */
export const THICKNESS_ROW = record({
  at: length('From the near edge', ALONG),
  middle: length('Thick in the middle', HIGH),
  side: length('Thick at the sides', HIGH),
});

/** Moulded in a factory and read with a tape: a parabola across, a smooth line along. */
export const read = padForm({
  id: 'read',
  name: 'Moulded: read by tape',
  noun: 'Moulded form',
  schema: record({ kind: tag('read'), rows: list('Readings', THICKNESS_ROW, [2, 40]) }),
  fields: [],
  rows: { key: 'rows', columns: ['at', 'middle', 'side'], noun: 'Reading' },
  scan: 'too',
  up: true,
  first: ({ thickness }, { height }) => ({
    kind: 'read' as const,
    rows: [0, 0.5, 1].map((share) => ({ at: whole(share * height), middle: thickness, side: whole(thickness * 0.8) })),
  }),
  check({ rows }, { thickness }, report) {
    checkPoints(
      'rows',
      rows.map(({ at, middle, side }) => ({ at, heights: { middle, side } })),
      thickness,
      report,
    );
  },
  thickest: (_, { high }) => high,
  thinnest: ({ rows }) => Math.min(...rows.flatMap(({ middle, side }) => [middle, side])),
  thickness({ rows }, _, outline) {
    const { minY, maxY, width } = bounds(outline);
    const at = rows.map((row) => row.at + minY);
    const along = (values: readonly number[]): ((y: number) => number) => monotoneThrough(at, values);
    const middle = along(rows.map((row) => row.middle));
    const side = along(rows.map((row) => row.side));
    // How wide the pad is where it was read: the very ends are looked at just inside.
    const half = along(
      at.map((y) => {
        const inside = Math.min(maxY - 1, Math.max(minY + 1, y));
        const found = lineCrossings(outline, [0, inside], [1, 0]).map(Math.abs);
        return Math.max(1, ...(found.length > 0 ? found : [width / 2]));
      }),
    );
    return ([x, y]) => {
      const u = Math.min(1, Math.abs(x) / half(y));
      return middle(y) - (middle(y) - side(y)) * u * u;
    };
  },
  bends: () => [],
  side: () => null,
  words: () => 'Carve it to the readings: mark each across the pad, the middle first, then the sides; feel left against right.',
  size: (_, pad) => pointsSize(pad, 'as it was read'),
  handles: () => [],
});
