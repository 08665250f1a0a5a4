import { EndType, FillRule, inflatePathsD, JoinType, unionD } from 'clipper2-ts';
import { crossesItself } from './crossing';
import { polygonArea } from './measure';
import type { Polygon } from '../types';

/** Decimal places the clipping library keeps of a millimetre. */
const PLACES = 4;
/** Corners sharper than this many times the distance are cut off rather than drawn out to a spike. */
const MITRE_LIMIT = 4;
/** How far a rolled corner may stand off its true arc, mm. */
const ARC_TOLERANCE = 0.02;

/** What polygons came to, by the polygon itself: one board is moved in by the same few distances for every row and layer. */
const cachedOffsets = new WeakMap<Polygon, Map<string, Polygon | null>>();

function inflated(polygon: Polygon, delta: number, join: JoinType): Polygon | null {
  const key = `${join} ${delta}`;
  let known = cachedOffsets.get(polygon);
  if (!known) cachedOffsets.set(polygon, (known = new Map()));
  const found = known.get(key);
  if (found !== undefined) return found;
  // Whoever gets it gets the same one: it is not to be changed.
  const result = inflate(polygon, delta, join);
  if (result) Object.freeze(result);
  known.set(key, result);
  return result;
}

function inflate(polygon: Polygon, delta: number, join: JoinType): Polygon | null {
  const path = polygon.map(([x, y]) => ({ x, y }));
  const grown = inflatePathsD([path], delta, join, EndType.Polygon, MITRE_LIMIT, PLACES, ARC_TOLERANCE);
  const rings = grown.map((ring): Polygon => ring.map(({ x, y }) => [x, y] as const));
  const largest = rings.sort((a, b) => Math.abs(polygonArea(b)) - Math.abs(polygonArea(a)))[0];
  if (!largest || largest.length < 3) return null;
  return polygonArea(largest) < 0 ? largest.reverse() : largest;
}

/**
 * Moves a closed polyline outwards or inwards, with sharp (mitred) corners, through the clipping library.
 *
 * @param polygon closed polyline, mm
 * @param delta mm; + outwards, − inwards
 * @returns the largest piece that is left, counter-clockwise, or null when nothing is
 */
export function offsetPolygon(polygon: Polygon, delta: number): Polygon | null {
  return delta === 0 ? polygon : inflated(polygon, delta, JoinType.Miter);
}

/**
 * The same with round corners: what a disc of that radius leaves when it is rolled round the edge.
 *
 * @param polygon closed polyline, mm
 * @param delta mm; + outwards, − inwards
 */
export function offsetRounded(polygon: Polygon, delta: number): Polygon | null {
  return delta === 0 ? polygon : inflated(polygon, delta, JoinType.Round);
}

/**
 * Takes out the loops that a closed polyline makes when its hollow parts were moved outwards past each other.
 *
 * @param polygon counter-clockwise
 * @returns the same when it does not cross itself; the largest piece walked counter-clockwise otherwise
 */
export function withoutLoops(polygon: Polygon): Polygon {
  if (!crossesItself(polygon)) return polygon;
  const rings = unionD([polygon.map(([x, y]) => ({ x, y }))], [], FillRule.Positive, PLACES).map((ring): Polygon =>
    ring.map(({ x, y }) => [x, y] as const),
  );
  return rings.sort((a, b) => polygonArea(b) - polygonArea(a))[0] ?? polygon;
}
