import type { SurfaceMesh } from './types';

/**
 * Length on a surface along a straight line in its plan, mm: what a tape laid over it measures.
 *
 * @param mesh the surface
 * @param plan x, y of each node seen from above
 * @param from a place in the plan
 * @param to another
 */
export function sectionLength(
  { points, triangles }: SurfaceMesh,
  plan: Float64Array,
  from: readonly [number, number],
  to: readonly [number, number],
): number {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  // On which side of the line each node lies: most triangles lie on one, and are passed over.
  const side = new Float64Array(plan.length / 2);
  for (let node = 0; node < side.length; node++)
    side[node] = ((plan[2 * node]! - from[0]) * dy - (plan[2 * node + 1]! - from[1]) * dx) / length;
  const along = (node: number): number => ((plan[2 * node]! - from[0]) * dx + (plan[2 * node + 1]! - from[1]) * dy) / length;
  let sum = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const left = side[triangles[t]!]! > 0;
    if (left === side[triangles[t + 1]!]! > 0 && left === side[triangles[t + 2]!]! > 0) continue;
    // The line enters and leaves a triangle on two of its sides.
    const cuts: [number, number, number, number][] = [];
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!];
      const [sa, sb] = [side[a]!, side[b]!];
      if (sa > 0 === sb > 0) continue;
      const s = sa / (sa - sb);
      const at = (c: number): number => points[3 * a + c]! + (points[3 * b + c]! - points[3 * a + c]!) * s;
      cuts.push([along(a) + (along(b) - along(a)) * s, at(0), at(1), at(2)]);
    }
    if (cuts.length < 2) continue;
    const [p, q] = cuts[0]![0] < cuts[1]![0] ? [cuts[0]!, cuts[1]!] : [cuts[1]!, cuts[0]!];
    const [low, high] = [Math.max(0, p[0]), Math.min(length, q[0])];
    if (high <= low) continue;
    sum += (Math.hypot(q[1] - p[1], q[2] - p[2], q[3] - p[3]) * (high - low)) / (q[0] - p[0] || 1);
  }
  return sum;
}

/**
 * Cloth that is left over round an edge when it keeps its length along every line from the middle: the flat edge less
 * the one on the surface, mm; negative where the edge wants more. For a spherical cap 2πR(α − sin α). Source:
 * docs/models.md, "Flattening".
 *
 * @param mesh the surface
 * @param plan x, y of each node seen from above
 * @param rim numbers of the nodes of its edge, in order
 * @param middle the place in the plan that stays
 */
export function edgeFullness(mesh: SurfaceMesh, plan: Float64Array, rim: readonly number[], middle: readonly [number, number]): number {
  const reach = rim.map((node) => sectionLength(mesh, plan, middle, [plan[2 * node]!, plan[2 * node + 1]!]));
  const bearing = rim.map((node) => Math.atan2(plan[2 * node + 1]! - middle[1], plan[2 * node]! - middle[0]));
  return rim.reduce((sum, node, i) => {
    const j = (i + 1) % rim.length;
    const turn = bearing[j]! - bearing[i]!;
    const angle = Math.atan2(Math.sin(turn), Math.cos(turn));
    const [a, b] = [reach[i]!, reach[j]!];
    const flat = Math.sqrt(Math.max(0, a * a + b * b - 2 * a * b * Math.cos(angle)));
    const [p, q] = [3 * node, 3 * rim[j]!];
    const { points } = mesh;
    return sum + flat - Math.hypot(points[q]! - points[p]!, points[q + 1]! - points[p + 1]!, points[q + 2]! - points[p + 2]!);
  }, 0);
}
