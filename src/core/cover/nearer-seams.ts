import type { Covering } from '../piece';
import type { CoverPlan } from './plan';
import type { Way } from './ways';

/** A seam that lies too deep is brought nearer the edge by these shares of its depth until it lies well. */
const NEARER = [0.85, 0.7, 0.55, 0.4, 0.3, 0.2, 0.1];

/** The same covering with its deepest seam nearer the edge, the least change first. */
export function nearerSeams(way: Way, covering: Covering): Covering[] {
  const { seamMoves: _moves, ...plain } = covering;
  void _moves;
  const field = way.tooDeep?.[0];
  const depth = field && covering[field];
  if (field && typeof depth === 'number') return NEARER.map((share) => ({ ...plain, [field]: Math.floor(depth * share) }));
  return (['edge', 'below'] as const).map((seamAt) => ({ ...plain, seamAt }));
}

/** What was brought nearer, and to what. */
export function nearerOf(way: Way, asked: Covering, taken: Covering): CoverPlan['nearer'] {
  const [field, name] = way.tooDeep ?? (['seamAt', 'top seam'] as const);
  return { field, name, asked: asked[field] ?? null, taken: taken[field] ?? null };
}
