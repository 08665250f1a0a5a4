import { Delaunay } from 'd3';
import { edgeIndex, type Point, type Polygon } from '../outline';

/** A flat triangle mesh. `edge` marks the nodes on the outer edge. */
export type Mesh = { nodes: Point[]; triangles: [number, number, number][]; edge: boolean[] };

/** Even places along a closed polyline, its sharp corners always among them. */
function along(polygon: Polygon, spacing: number): Point[] {
  const points: Point[] = [];
  let carried = Infinity;
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!;
    const before = polygon[(i + polygon.length - 1) % polygon.length]!;
    const turn = Math.atan2(b[1] - a[1], b[0] - a[0]) - Math.atan2(a[1] - before[1], a[0] - before[0]);
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const corner = Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn))) > 0.3;
    if (corner || carried >= spacing * 0.75) {
      points.push(a);
      carried = 0;
    }
    const steps = Math.max(1, Math.round(length / spacing));
    for (let k = 1; k < steps; k++) points.push([a[0] + ((b[0] - a[0]) * k) / steps, a[1] + ((b[1] - a[1]) * k) / steps]);
    carried = steps > 1 ? length / steps : carried + length;
  });
  return points;
}

/**
 * Fills an outline with near-even triangles: places on the edge, a staggered grid inside, joined by Delaunay's rule.
 *
 * @param outline closed polyline, mm
 * @param holes closed polylines inside it
 * @param spacing wanted length of a side, mm
 * @param [keep] places that must be nodes
 */
export function meshOf(outline: Polygon, holes: readonly Polygon[], spacing: number, keep: readonly Point[] = []): Mesh {
  const outer = along(outline, spacing);
  const inner = holes.flatMap((hole) => along(hole, spacing * 0.7));
  const nodes: Point[] = [...outer, ...inner, ...keep];
  const clear = spacing * 0.5;
  const rims = [outline, ...holes].map((rim) => edgeIndex(rim, clear));
  const isOnBoard = (at: Point): boolean => rims.every((rim, i) => rim.isInside(at) === (i === 0));
  const xs = outline.map(([x]) => x);
  const ys = outline.map(([, y]) => y);
  const row = (spacing * Math.sqrt(3)) / 2;
  const first = Math.floor(Math.min(...ys) / row);
  const last = Math.ceil(Math.max(...ys) / row);
  for (let r = first; r <= last; r++) {
    const shift = r % 2 === 0 ? 0 : spacing / 2;
    for (let c = Math.floor(Math.min(...xs) / spacing) - 1; c <= Math.ceil(Math.max(...xs) / spacing); c++) {
      const p: Point = [c * spacing + shift, r * row];
      if (!isOnBoard(p) || rims.some((rim) => rim.distanceTo(p) < clear)) continue;
      if (keep.some((k) => Math.hypot(k[0] - p[0], k[1] - p[1]) < spacing * 0.4)) continue;
      nodes.push(p);
    }
  }
  const { triangles: found } = Delaunay.from(nodes.map(([x, y]): [number, number] => [x, y]));
  const triangles: [number, number, number][] = [];
  for (let i = 0; i < found.length; i += 3) {
    const three: [number, number, number] = [found[i]!, found[i + 1]!, found[i + 2]!];
    const [a, b, c] = three.map((n) => nodes[n]!) as [Point, Point, Point];
    const area = ((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) / 2;
    if (Math.abs(area) < spacing * spacing * 1e-4) continue;
    const middle: Point = [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3];
    if (!isOnBoard(middle)) continue;
    triangles.push(area > 0 ? three : [three[0], three[2], three[1]]);
  }
  return { nodes, triangles, edge: nodes.map((_, i) => i < outer.length) };
}
