import { EndType, inflatePathsD, JoinType } from 'clipper2-ts';
import { polygonArea } from './measure';
import type { Polygon } from './types';

/** Decimal places the clipping library keeps of a millimetre. */
const PLACES = 4;
/** Corners sharper than this many times the distance are cut off rather than drawn out to a spike. */
const MITRE_LIMIT = 4;

/**
 * Moves a closed polyline outwards or inwards, with sharp (mitred) corners, through the clipping library.
 *
 * @param polygon closed polyline, mm
 * @param delta mm; + outwards, − inwards
 * @returns the largest piece that is left, counter-clockwise, or null when nothing is
 */
export function offsetPolygon(polygon: Polygon, delta: number): Polygon | null {
  if (delta === 0) return polygon;
  const path = polygon.map(([x, y]) => ({ x, y }));
  const grown = inflatePathsD([path], delta, JoinType.Miter, EndType.Polygon, MITRE_LIMIT, PLACES);
  const rings = grown.map((ring): Polygon => ring.map(({ x, y }) => [x, y] as const));
  const largest = rings.sort((a, b) => Math.abs(polygonArea(b)) - Math.abs(polygonArea(a)))[0];
  if (!largest || largest.length < 3) return null;
  return polygonArea(largest) < 0 ? largest.reverse() : largest;
}
