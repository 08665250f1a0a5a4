import { contours, geoPath, geoTransform } from 'd3';
import type { StrainMap } from '@/core/cover';
import { shareOf, type Give } from '@/core/flattening';

/** Steps of the map: how much of its give the cloth is asked for, a colour, and a hatch for those who see none. */
export const STEPS = [
  { to: 0.25, colour: '#eef0e4', says: 'up to a quarter' },
  { to: 0.5, colour: '#d9dfb8', says: 'to half' },
  { to: 0.75, colour: '#e6c88a', says: 'to three quarters' },
  { to: 1, colour: '#d99a5b', says: 'to all it gives' },
  { to: Infinity, colour: '#a8323e', says: 'more than it gives' },
] as const;

/** Which strain is shown. */
export type By = 'share' | 'warp' | 'weft' | 'bias';
function valueOf(map: StrainMap, t: number, by: By, give: Give): number {
  if (by === 'share') return shareOf(map.warp[t]!, map.weft[t]!, map.bias[t]!, give);
  return Math.abs(map[by][t]!) / give[by];
}

/** Dots of the map along its longer side. */
const DOTS = 180;

/** A piece's strain as areas between steps, smooth over its flat shape; and its rim. */
export function strainAreas(
  map: StrainMap,
  by: By,
  give: Give,
): { areas: string[]; rim: string; box: { x: number; y: number; w: number; h: number } } {
  const count = map.flat.length / 2;
  const [sums, counts] = [new Float64Array(count), new Uint16Array(count)];
  map.triangles.forEach((node, k) => {
    sums[node]! += valueOf(map, Math.floor(k / 3), by, give);
    counts[node]! += 1;
  });
  const values = sums.map((sum, i) => (counts[i] ? sum / counts[i] : 0));
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < count; i++) {
    [x0, x1] = [Math.min(x0, map.flat[2 * i]!), Math.max(x1, map.flat[2 * i]!)];
    [y0, y1] = [Math.min(y0, -map.flat[2 * i + 1]!), Math.max(y1, -map.flat[2 * i + 1]!)];
  }
  const step = Math.max(x1 - x0, y1 - y0) / DOTS;
  const [columns, rows] = [Math.ceil((x1 - x0) / step) + 3, Math.ceil((y1 - y0) / step) + 3];
  const grid = new Float64Array(columns * rows);
  const at = (node: number): [number, number] => [(map.flat[2 * node]! - x0) / step + 1, (-map.flat[2 * node + 1]! - y0) / step + 1];
  const sides = new Map<string, [number, number]>();
  for (let t = 0; t < map.triangles.length; t += 3) {
    const nodes = [map.triangles[t]!, map.triangles[t + 1]!, map.triangles[t + 2]!] as const;
    nodes.forEach((a, k) => {
      const b = nodes[(k + 1) % 3]!;
      if (!sides.delete(`${b} ${a}`)) sides.set(`${a} ${b}`, [a, b]);
    });
    const [a, b, c] = nodes.map(at) as [[number, number], [number, number], [number, number]];
    const det = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
    if (Math.abs(det) < 1e-9) continue;
    // A dot beyond the rim takes what the rim has: it is cut off there, and the areas do not shrink back from it.
    for (
      let y = Math.max(0, Math.floor(Math.min(a[1], b[1], c[1])) - 1);
      y <= Math.min(rows - 1, Math.ceil(Math.max(a[1], b[1], c[1])) + 1);
      y++
    )
      for (
        let x = Math.max(0, Math.floor(Math.min(a[0], b[0], c[0])) - 1);
        x <= Math.min(columns - 1, Math.ceil(Math.max(a[0], b[0], c[0])) + 1);
        x++
      ) {
        const v = ((x - a[0]) * (c[1] - a[1]) - (y - a[1]) * (c[0] - a[0])) / det;
        const w = ((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / det;
        const inside = v >= 0 && w >= 0 && v + w <= 1;
        if (!inside && grid[y * columns + x]! > 0) continue;
        const [p, q] = [Math.max(0, Math.min(1, v)), Math.max(0, Math.min(1, w))];
        grid[y * columns + x] = values[nodes[0]]! * (1 - p - q) + values[nodes[1]]! * p + values[nodes[2]]! * q;
      }
  }
  const project = geoPath(
    geoTransform({
      point(x, y) {
        this.stream.point(x0 + (x - 1.5) * step, y0 + (y - 1.5) * step);
      },
    }),
  );
  const thresholds = STEPS.map((_, i) => (i === 0 ? 0 : STEPS[i - 1]!.to));
  const areas = contours()
    .size([columns, rows])
    .thresholds(thresholds)([...grid])
    .map((shape) => project(shape) ?? '');
  const rim = [...sides.values()].map(
    ([a, b]) => `M${map.flat[2 * a]} ${-map.flat[2 * a + 1]!}L${map.flat[2 * b]} ${-map.flat[2 * b + 1]!}`,
  );
  return { areas, rim: rim.join(''), box: { x: x0, y: y0, w: x1 - x0, h: y1 - y0 } };
}
