import { record, tag } from '../fields';
import { domeHeight } from './dome';
import { padRim } from './rim';
import { whole } from './shared';

/** Carved to a dome over the whole pad. */
export const domed = padRim({
  id: 'domed',
  name: 'Carved to a dome',
  schema: record({ kind: tag('domed') }),
  soft: true,
  fromMiddle: true,
  first: () => ({ kind: 'domed' as const }),
  step: () => 0,
  // A pad that bends round a corner has no one middle: it is domed from its edge inwards instead of along rays.
  thickness: (_, { thickness, away, ray, depth }) =>
    ray ? domeHeight(ray.at, ray.reach, thickness) : domeHeight(Math.max(0, depth - away()), depth, thickness),
  reach: (_, depth) => depth,
  words: (_, thickness, across) =>
    `Carve it to a dome: ${whole(thickness)} mm in the middle, ${whole(domeHeight(across / 4, across / 2, thickness))} mm half way out, nothing at the rim; feel left against right.`,
  work: 'area',
});
