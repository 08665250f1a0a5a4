import Constrainautor from './constrain';
import Delaunator from 'delaunator';
import { bounds, edgeIndex, type Polygon } from '../../outline';
import { snappedPoint } from '../../ties';

/** Twice the area of a triangle, + counter-clockwise. */
function turns(a: readonly number[], b: readonly number[], c: readonly number[]): number {
  return (b[0]! - a[0]!) * (c[1]! - a[1]!) - (b[1]! - a[1]!) * (c[0]! - a[0]!);
}

/** Four places well outside: a rim's straight sides lie inside them, and no side of it is left to rounding at the hull. */
function frameOf(rim: Polygon): [number, number][] {
  const { minX, minY, maxX, maxY, width, height } = bounds(rim);
  const out = width + height;
  return [
    [minX - out, minY - out],
    [maxX + out, minY - out],
    [maxX + out, maxY + out],
    [minX - out, maxY + out],
  ];
}

/**
 * Triangles of a rim and the places inside it, by Delaunay's rule, with every wanted side in it.
 *
 * @param places nodes in the plan
 * @param rim the outline within which triangles are wanted
 * @param sides pairs of nodes that must be joined
 * @returns three nodes each, counter-clockwise
 */
export function triangulated(places: readonly (readonly [number, number])[], rim: Polygon, sides: readonly [number, number][]): number[][] {
  // Four nodes of an even grid lie on one circle: which diagonal is drawn must not hang on their last bits.
  const nodes = places.map(snappedPoint);
  const laid = Delaunator.from([...nodes, ...frameOf(rim).map(snappedPoint)] as [number, number][]);
  new Constrainautor(laid).constrainAll(sides);
  const found: number[][] = [];
  const within = edgeIndex(rim);
  for (let t = 0; t < laid.triangles.length; t += 3) {
    const [i, j, k] = [laid.triangles[t]!, laid.triangles[t + 1]!, laid.triangles[t + 2]!];
    if (Math.max(i, j, k) >= nodes.length) continue;
    const [a, b, c] = [nodes[i]!, nodes[j]!, nodes[k]!];
    const area = turns(a, b, c);
    if (Math.abs(area) < 1e-9 || !within.isInside([(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3])) continue;
    found.push(area > 0 ? [i, j, k] : [i, k, j]);
  }
  return found;
}
