import type { Plan } from './types';

/** How many of a set are made to its first outline: all but those that were measured differently. */
export const firstOutlineCount = ({ piece, variants }: Pick<Plan, 'piece' | 'variants'>): number =>
  piece.count - variants.reduce((sum, { count }) => sum + count, 0);
