import { length, record, tag } from '@/core/fields';
import { padRim } from '@/core/pad-rims/rim';

/** A rim that nobody cuts: a straight slope over a width. */
export const chamfered = padRim({
  id: 'chamfered',
  name: 'Chamfered',
  schema: record({ kind: tag('chamfered'), width: length('Chamfer', [1, 100], { default: 12 }) }),
  soft: false,
  first: () => ({ kind: 'chamfered' as const, width: 12 }),
  step: (_, thickness) => thickness / 2,
  thickness: ({ width }, { thickness, away }) => thickness * Math.min(1, 0.5 + away() / width / 2),
  reach: ({ width }) => width,
  words: ({ width }) => `Chamfer it over ${width} mm.`,
  work: 'rim',
});
