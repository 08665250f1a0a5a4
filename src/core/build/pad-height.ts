import { distanceTo, isInside, type Point } from '../outline';
import { domeHeight } from './dome';
import type { BuiltPad, Model } from './model';

/**
 * How thick a pad is at a place in the plan, mm; 0 outside it.
 *
 * @param built the pad
 * @param at plan point
 */
export function padHeight(built: BuiltPad, at: Point): number {
  const { pad, polygon } = built;
  if (pad.edge.kind !== 'domed' && !isInside(polygon, at)) return 0;
  return thicknessWithin(built, at);
}

/**
 * The same for a place that is known to lie inside the pad's outline, which spares the search.
 *
 * @param built the pad
 * @param at plan point inside it
 */
export function thicknessWithin(built: BuiltPad, at: Point): number {
  const { pad, polygon } = built;
  if (pad.edge.kind === 'domed') {
    const r = Math.hypot(at[0], at[1]);
    return domeHeight(r, built.reach(Math.atan2(at[1], at[0])), pad.thickness);
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
  return model.pads.reduce((sum, built) => sum + padHeight(built, at), 0);
}
