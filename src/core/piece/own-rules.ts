import { CUTTERS, glueOf } from '../foam';
import type { Piece } from './schema';

/** House rules as they hold for this piece: what its glue and its tool say, and over that what was set for it alone. */
export function ownRules({ glue, cutWith, overrides }: Pick<Piece, 'glue' | 'cutWith' | 'overrides'>): Record<string, number> {
  return { ...glueOf(glue)?.figures, ...CUTTERS.find(({ id }) => id === cutWith)?.figures, ...overrides };
}
