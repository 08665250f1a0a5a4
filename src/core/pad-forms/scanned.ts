import { record, tag } from '../fields';
import { MAP, readGrid } from '../heights';
import { padForm } from './form';
import { pointsSize } from './points';

const highest = (heights: readonly number[]): number => heights.reduce((most, z) => Math.max(most, z), -Infinity);
const lowest = (heights: readonly number[]): number => heights.reduce((least, z) => Math.min(least, z), Infinity);

/** Moulded in a factory and scanned: its highest place is as thick as the pad was measured. */
export const scanned = padForm({
  id: 'scanned',
  name: 'Moulded: scanned',
  noun: 'Moulded form',
  schema: record({ kind: tag('scanned'), map: MAP }),
  fields: [],
  scan: 'only',
  up: true,
  first: () => null,
  check({ map }, _, report) {
    if (map.heights.length !== map.columns * map.rows)
      report('map.heights', `A map of ${map.columns} × ${map.rows} places needs as many heights; there are ${map.heights.length}`);
  },
  thickest: (_, { high }) => high,
  thinnest: ({ map }, { low }) => Math.max(0, low + lowest(map.heights) - highest(map.heights)),
  thickness({ map }, { thickness }) {
    const grid = { ...map, heights: Float64Array.from(map.heights) };
    const top = highest(map.heights);
    return (at) => Math.max(0, thickness + readGrid(grid, at) - top);
  },
  bends: () => [],
  side: () => null,
  words: () => null,
  size: (_, pad) => pointsSize(pad, 'as it was read'),
  handles: () => [],
});
