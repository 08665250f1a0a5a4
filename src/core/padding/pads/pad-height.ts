import { distanceTo, isInside, type Point } from '../../outline';
import { rimOf } from '../../pad-rims';
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
  if (!(rimOf(pad.edge).fromMiddle && reach) && !isInside(polygon, at)) return 0;
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
  const { pad, reach, depth } = built;
  const [x, y] = [at[0] - middle[0], at[1] - middle[1]];
  const rim = rimOf(pad.edge);
  const ray = rim.fromMiddle && reach ? { at: Math.hypot(x, y), reach: reach(Math.atan2(y, x)) } : null;
  return rim.thickness(pad.edge, { thickness: localThickness(built, at), away, ray, depth });
}
