import type { SurfaceMesh } from '../../flattening';
import type { Level } from '../surface/levels';
import { onRing, type Ring } from '../surface/ring';

/** A row of nodes along an edge of a panel, with the place of the ring that each belongs to. */
export type Chain = { nodes: number[]; places: number[] };

/** A part of the covered surface as triangles, a first flat picture of it, and its edges. */
export type PanelMesh = SurfaceMesh & { start: Float64Array; outer: Chain; inner: Chain | null };

/** Rows of triangles across a strip: at least, at most, and how high one is, mm. Covers bend sharply below the board. */
const ROWS = { least: 4, most: 24, height: 3.5 };

/** Where each column of a strip lies when it is unrolled: it bends as its two edges differ in length; level in its middle. */
function developed(ring: Ring, inner: Level, outer: Level, columns: readonly number[]): { x: number; y: number; angle: number }[] {
  const levelStep = (level: Level, k: number): number => {
    const [i, j] = [columns[k - 1]!, columns[k]!];
    const [a, b] = [onRing(ring.places[i]!, level[i]!), onRing(ring.places[j]!, level[j]!)];
    return Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  };
  const bends = columns.map((i, k) => {
    if (k === 0) return { length: 0, bend: 0 };
    const [upper, lower] = [levelStep(inner, k), levelStep(outer, k)];
    return { length: upper, bend: (lower - upper) / Math.max(1, outer[i]! - inner[i]!) };
  });
  const whole = bends.reduce((sum, { bend }) => sum + bend, 0);
  let [x, y, angle] = [0, 0, -whole / 2];
  return bends.map(({ length, bend }) => {
    angle += bend / 2;
    x += length * Math.cos(angle);
    y += length * Math.sin(angle);
    angle += bend / 2;
    return { x, y, angle };
  });
}

/** A part of the surface between two seams: from one place to another, counted on past the last one. */
export type StripRegion = {
  /** the seam nearer the middle */
  inner: Level;
  /** the seam nearer the staples */
  outer: Level;
  from: number;
  to: number;
};

/**
 * What lies between two seams, over a stretch of the way round.
 *
 * @param ring the covered surface
 * @param region which part of it
 * @param lay `unrolled` along the inner seam, or `plan` as it lies seen from above
 */
export function stripMesh(ring: Ring, { inner, outer, from, to }: StripRegion, lay: 'unrolled' | 'plan' = 'unrolled'): PanelMesh {
  const n = ring.places.length;
  const columns = Array.from({ length: to - from + 1 }, (_, k) => (from + k) % n);
  const height = columns.reduce((most, i) => Math.max(most, outer[i]! - inner[i]!), 0);
  const rows = Math.min(ROWS.most, Math.max(ROWS.least, Math.ceil(height / ROWS.height)));
  const points: number[] = [];
  const start: number[] = [];
  const unrolled = developed(ring, inner, outer, columns);
  columns.forEach((i, k) => {
    const place = ring.places[i]!;
    const { x, y, angle } = unrolled[k]!;
    for (let r = 0; r <= rows; r++) {
      const v = inner[i]! + ((outer[i]! - inner[i]!) * r) / rows;
      const at = onRing(place, v);
      points.push(...at);
      if (lay === 'plan') start.push(at[0], at[1]);
      else start.push(x + (v - inner[i]!) * Math.sin(angle), y - (v - inner[i]!) * Math.cos(angle));
    }
  });
  const triangles: number[] = [];
  const at = (k: number, r: number): number => k * (rows + 1) + r;
  for (let k = 0; k + 1 < columns.length; k++)
    for (let r = 0; r < rows; r++) {
      // Diagonals lean both ways in turn, so that a strip has no hand.
      const [a, b, c, d] = [at(k, r + 1), at(k + 1, r + 1), at(k + 1, r), at(k, r)];
      if ((k + r) % 2 === 0) triangles.push(a, b, c, a, c, d);
      else triangles.push(a, b, d, b, c, d);
    }
  const chain = (r: number): Chain => ({ nodes: columns.map((_, k) => at(k, r)), places: columns });
  return {
    points: Float64Array.from(points),
    triangles: Uint32Array.from(triangles),
    start: Float64Array.from(start),
    outer: chain(rows),
    inner: chain(0),
  };
}
