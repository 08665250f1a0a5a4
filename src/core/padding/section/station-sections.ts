import { keepNothing, type Keep } from '../../keep';
import type { Place, Point } from '../../outline';
import type { Stack } from '../model';
import { coverHalf, cutHalves, passageOf, solveHalf, type CutHalf, type Half } from './section';

/** The middle must lie at least this share of the cut in from its far end. */
const LEAST_SHARE = 0.2;

/** A station with the half section through it, and its distances in plan. */
export type StationSection = { place: Place; point: Point; half: Half; toMiddle: number; start: number };

/** A station's half section before it is solved. */
export type StationCut = { place: Place; toMiddle: number; start: number; cut: CutHalf };

/**
 * Cuts the stack at every station, square to the edge there: from the place in the cut that is nearest the middle of the
 * piece, over the top and down to the board's lower edge.
 *
 * @param stack the built stack
 * @param [coarse=false] larger triangles, for a picture while something is dragged
 */
export function stationCuts(stack: Stack, coarse = false): StationCut[] {
  return stack.places.map((place) => {
    const inward = [-place.normal[0], -place.normal[1]] as const;
    const toMiddle = (stack.middle[0] - place.point[0]) * inward[0] + (stack.middle[1] - place.point[1]) * inward[1];
    const middle: Point = [place.point[0] + inward[0] * toMiddle, place.point[1] + inward[1] * toMiddle];
    const passage = passageOf(stack, middle, place.normal, toMiddle - 1)!;
    const [left, right] = passage.run;
    // Where a strong taper puts the place nearest the middle off this cut, the cut's own middle is measured from.
    const margin = (right - left) * LEAST_SHARE;
    const start = left + margin <= 0 && right - margin >= 0 ? 0 : (left + right) / 2;
    return { place, toMiddle, start, cut: cutHalves(stack, passage, { middle: start, sides: [1], coarse })[0]! };
  });
}

/** Solves the half section at every station. */
export function stationSections(stack: Stack, cuts: readonly StationCut[], keep: Keep = keepNothing): StationSection[] {
  return cuts.map(({ place, toMiddle, start, cut }) => ({
    place,
    point: place.point,
    half: coverHalf(stack, cut, solveHalf(cut, keep)),
    toMiddle,
    start,
  }));
}
