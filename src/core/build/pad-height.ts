import { distanceTo, isInside, type Point } from '../outline';
import { domeHeight } from './dome';
import type { BuiltPad, Model } from './model';

/**
 * How thick a pad is at a place in the plan, mm; 0 outside it.
 *
 * @param built the pad
 * @param at plan point
 * @param middle of the piece
 */
export function padHeight(built: BuiltPad, at: Point, middle: Point): number {
  const { pad, polygon, reach } = built;
  if ((pad.edge.kind !== 'domed' || !reach) && !isInside(polygon, at)) return 0;
  return thicknessWithin(built, at, middle);
}

/**
 * The same for a place that is known to lie inside the pad's outline, which spares the search.
 *
 * @param built the pad
 * @param at plan point inside it
 * @param middle of the piece
 */
export function thicknessWithin(built: BuiltPad, at: Point, middle: Point): number {
  const { pad, polygon } = built;
  if (pad.edge.kind === 'domed') {
    // A pad that bends round a corner has no one middle: it is domed from its edge inwards instead of along rays.
    if (!built.reach) return domeHeight(Math.max(0, built.depth - distanceTo(polygon, at)), built.depth, pad.thickness);
    const [x, y] = [at[0] - middle[0], at[1] - middle[1]];
    return domeHeight(Math.hypot(x, y), built.reach(Math.atan2(y, x)), pad.thickness);
  }
  if (pad.edge.kind === 'square') return pad.thickness;
  return pad.thickness * Math.min(1, distanceTo(polygon, at) / pad.edge.width);
}

/**
 * Height of the unloaded, uncovered stack over the board's top face, mm.
 *
 * @param model the built piece
 * @param at plan point
 */
export function freeHeight(model: Model, at: Point): number {
  return model.pads.reduce((sum, built) => sum + padHeight(built, at, model.middle), 0);
}
