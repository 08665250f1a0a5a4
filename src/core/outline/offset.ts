import ClipperLib from 'clipper-lib';
import { polygonArea } from './measure';
import type { Polygon } from './types';

/** Clipper works in whole numbers: a ten-thousandth of a millimetre. */
const SCALE = 1e4;
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
  const path = polygon.map(([x, y]) => ({ X: Math.round(x * SCALE), Y: Math.round(y * SCALE) }));
  const offset = new ClipperLib.ClipperOffset(MITRE_LIMIT, 0.25 * SCALE);
  offset.AddPath(path, ClipperLib.JoinType.jtMiter, ClipperLib.EndType.etClosedPolygon);
  const solution: { X: number; Y: number }[][] = [];
  offset.Execute(solution, delta * SCALE);
  const rings = solution.map((ring) => ring.map(({ X, Y }) => [X / SCALE, Y / SCALE] as const));
  const largest = rings.sort((a, b) => Math.abs(polygonArea(b)) - Math.abs(polygonArea(a)))[0];
  if (!largest || largest.length < 3) return null;
  return polygonArea(largest) < 0 ? largest.reverse() : largest;
}
