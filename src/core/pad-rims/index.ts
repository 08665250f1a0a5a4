import type { Static } from '@sinclair/typebox';
import { oneOf } from '../fields';
import { PAD_RIMS } from './list';
import type { PadRim } from './rim';

type Listed = (typeof PAD_RIMS)[number];

export const PAD_EDGE = oneOf(
  'kind',
  PAD_RIMS.map(({ schema }): Listed['schema'] => schema),
);
export type PadEdge = Static<Listed['schema']>;

/** The rim of a pad by what the document says of it. */
export function rimOf({ kind }: { kind: string }): PadRim<never, PadEdge> {
  return PAD_RIMS.find(({ id }) => id === kind) as unknown as PadRim<never, PadEdge>;
}

export type { PadRim, RimPlace } from './rim';
export { PAD_RIMS } from './list';
export { domeHalfArc, domeHeight } from './dome';
export { RIM_SIZE } from './shared';
