import type { Stack } from '../../padding';
import { distanceTo, isInside, type Point, type Polygon } from '../../outline';
import { isLess, wholeDown, wholeUp } from '../../ties';
import { growOutline } from './grow';
import type { StationWrap } from './wrap';

/** A cut shorter than this relieves nothing, mm. */
export const LEAST_CUT = 5;
/** A cut is walked in by the width of a chalk mark, mm. */
const CHALK = 0.5;

/**
 * The board's lower edge on the flat blank, before shrinkage: inside it the cloth is seen.
 *
 * @param model the built piece
 * @param stations the measured stations
 */
export function seenLine(model: Stack, stations: readonly StationWrap[]): Polygon {
  return growOutline(model, stations, (s) => s.top - s.planDistance + s.side);
}

/**
 * A cut from the cloth's edge as far in as it stays clear of what is seen: beside a hollow the seen cloth reaches farther out than along
 * the cut's own line.
 *
 * @param seen the board's lower edge on the flat blank
 * @param from the cloth's edge
 * @param to where the cut would end at most
 * @param stop how far from what is seen it ends, mm
 * @returns where it ends, and how long it then is, mm
 */
export function cutKeptClear(seen: Polygon, from: Point, to: Point, stop: number): { to: Point; length: number } {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const steps = Math.max(1, wholeUp(length / CHALK));
  const at = (k: number): Point => [from[0] + ((to[0] - from[0]) * k) / steps, from[1] + ((to[1] - from[1]) * k) / steps];
  let k = 0;
  while (k < steps && !isInside(seen, at(k + 1))) {
    const far = distanceTo(seen, at(k + 1));
    if (isLess(far, stop)) break;
    // So far off, nothing nearer than the stop is met for a while: those places need not be looked at.
    k = Math.min(steps, k + 1 + Math.max(0, wholeDown(((far - stop) * steps) / length - 1e-3)));
  }
  return { to: k === steps ? to : at(k), length: (length * k) / steps };
}
