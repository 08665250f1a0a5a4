import { record, tag } from '../fields';
import { padRim } from './rim';
import { rimWidth, whole } from './shared';

const short = (mm: number): number => Math.round(mm * 10) / 10;

/** As wide as it starts, mm. */
const WIDTH = 15;

/** Its top rounded by a radius. */
export const rounded = padRim({
  id: 'rounded',
  name: 'Rounded',
  schema: record({ kind: tag('rounded'), width: rimWidth('Rounding', WIDTH) }),
  soft: false,
  first: (thickness) => ({ kind: 'rounded' as const, width: Math.min(WIDTH, thickness) }),
  check: ({ width }, thickness) =>
    width > thickness ? `A rounding of ${short(width)} mm is more than the pad is thick; ${short(thickness)} mm maximum` : null,
  step: ({ width }, thickness) => Math.max(0, thickness - width),
  thickness({ width }, { thickness, away }) {
    const inward = away();
    return inward >= width ? thickness : thickness - width + Math.sqrt(Math.max(0, width ** 2 - (width - inward) ** 2));
  },
  reach: ({ width }) => width,
  words: ({ width }) =>
    `Round its upper edge all round to a radius of ${whole(width)} mm: first a slope through ${whole(width / 2)} mm on both faces, then the two corners that it leaves.`,
  work: 'rim',
});
