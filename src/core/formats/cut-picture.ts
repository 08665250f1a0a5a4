import { FillRule, inflatePathsD, EndType, JoinType, xorD } from 'clipper2-ts';
import { polygonArea, type Point, type Polygon } from '../outline';

/** A picture of what a cutter has cut: the lines its knife went, mm, and how wide its kerf is. */
export type CutPicture = { kerf: number; cuts: Polygon[] };

/** How a cut compares with what was planned: areas mm², the farthest that an edge is off, mm. */
export type CutCompared = { planned: number; cut: number; off: number; matches: boolean };

/** An edge may be so far off, mm. */
const FAR = 0.6;

type Path = { x: number; y: number }[];
const pathOf = (ring: Polygon): Path => ring.map(([x, y]) => ({ x, y }));
const areaOf = (rings: readonly Path[]): number =>
  Math.abs(rings.reduce((sum, ring) => sum + polygonArea(ring.map(({ x, y }): Point => [x, y])), 0));

/**
 * Compares what was cut with what should have been: the piece that lies within the kerf, against the outline.
 *
 * @param planned outline, mm
 * @param picture from the cutter
 */
export function compareCut(planned: Polygon, { kerf, cuts }: CutPicture): CutCompared {
  const largest = [...cuts].sort((a, b) => Math.abs(polygonArea(b)) - Math.abs(polygonArea(a)))[0];
  if (!largest) return { planned: areaOf([pathOf(planned)]), cut: 0, off: Infinity, matches: false };
  const ring = pathOf(polygonArea(largest) < 0 ? [...largest].reverse() : largest);
  const piece = inflatePathsD([ring], -kerf / 2, JoinType.Miter, EndType.Polygon, 4, 4);
  const differs = xorD(piece, [pathOf(planned)], FillRule.NonZero, 4);
  // What is left of the difference when a rim of half the allowance is taken off it is off by more than that.
  const beyond = (by: number): boolean => inflatePathsD(differs, -by / 2, JoinType.Miter, EndType.Polygon, 2, 4).length > 0;
  let [low, high] = [0, 0.02];
  while (beyond(high) && high < 4000) [low, high] = [high, high * 2];
  for (let k = 0; k < 24 && high - low > 0.01; k++) {
    const middle = (low + high) / 2;
    if (beyond(middle)) low = middle;
    else high = middle;
  }
  return { planned: areaOf([pathOf(planned)]), cut: areaOf(piece), off: high, matches: high <= FAR };
}
