import { distanceTo, isInside, type Point } from '../../outline';
import { domeHeight } from './dome';
import type { BuiltPad } from '../model';

/**
 * A pad's thickness at a place before its rim is worked, mm: its own, or what the form of its top makes of it.
 *
 * @param built the pad
 * @param at plan point
 */
export function localThickness({ pad, form }: BuiltPad, at: Point): number {
  return form ? form(at) : pad.thickness;
}

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
 * The same for a place that is known to lie inside the pad's outline, which spares the search. A bevel, being cut
 * from below, is not taken off here.
 *
 * @param built the pad
 * @param at plan point inside it
 * @param middle of the piece
 * @param [away] its distance from the outline, where that is known already
 */
export function thicknessWithin(
  built: BuiltPad,
  at: Point,
  middle: Point,
  away: () => number = () => distanceTo(built.polygon, at),
): number {
  const { edge } = built.pad;
  const thickness = localThickness(built, at);
  switch (edge.kind) {
    case 'domed': {
      // A pad that bends round a corner has no one middle: it is domed from its edge inwards instead of along rays.
      if (!built.reach) return domeHeight(Math.max(0, built.depth - away()), built.depth, thickness);
      const [x, y] = [at[0] - middle[0], at[1] - middle[1]];
      return domeHeight(Math.hypot(x, y), built.reach(Math.atan2(y, x)), thickness);
    }
    case 'feathered':
      return thickness * Math.min(1, away() / edge.width);
    case 'rounded': {
      const inward = away();
      if (inward >= edge.width) return thickness;
      return thickness - edge.width + Math.sqrt(Math.max(0, edge.width ** 2 - (edge.width - inward) ** 2));
    }
    case 'roll': {
      const inward = away();
      if (inward >= edge.width) return 0;
      // A half round laid along the rim, flattened or raised to its thickness.
      return thickness * Math.sqrt(Math.max(0, 1 - ((2 * inward) / edge.width - 1) ** 2));
    }
    default:
      return thickness;
  }
}
