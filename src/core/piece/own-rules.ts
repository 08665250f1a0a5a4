import { glueOf } from '../foam';
import type { Piece } from './schema';

/** House rules as they hold for this piece: what its glue says, and over that what was set for it alone. */
export function ownRules({ glue, overrides }: Pick<Piece, 'glue' | 'overrides'>): Record<string, number> {
  return { ...glueOf(glue)?.figures, ...overrides };
}
