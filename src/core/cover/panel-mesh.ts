import cdt2d from 'cdt2d';
import { Delaunay } from 'd3';
import type { HeightGrid } from '../build';
import type { SurfaceMesh } from '../flattening';
import { bounds, crossesItself, distanceTo, isInside, type Point, type Polygon } from '../outline';
import { onRing, type Ring } from './ring';

/** A row of nodes along an edge of a panel, with the place of the ring that each belongs to. */
export type Chain = { nodes: number[]; places: number[] };

/** A part of the covered surface as triangles, a first flat picture of it, and its edges. */
export type PanelMesh = SurfaceMesh & { start: Float64Array; outer: Chain; inner: Chain | null };

/** A straight cut into a panel: from a place of its rim to a place inside it, or across to another place of its rim. */
export type Slit = { from: number; to: Point | number };

/** A panel's own mesh with the place of the ring that each node of its rim belongs to, −1 inside; and the slits' nodes. */
export type DiscMesh = SurfaceMesh & { start: Float64Array; place: Int32Array; slits: number[][] };

/** A seam's place at each place of the ring: length from the shoulder, mm. */
export type Level = Float64Array;

/** Rows of triangles across a strip: at least, at most, and how high one is, mm. Covers bend sharply below the board. */
const ROWS = { least: 4, most: 24, height: 3.5 };
/** Inner nodes keep this share of the spacing away from the rim. */
const RIM = 0.55;

/** Height of a grid, from the corners of the cell that are known. */
function heightOn({ x0, y0, step, columns, rows, heights }: HeightGrid, x: number, y: number): number {
  const u = Math.min(columns - 1 - 1e-9, Math.max(0, (x - x0) / step));
  const v = Math.min(rows - 1 - 1e-9, Math.max(0, (y - y0) / step));
  const [i, j] = [Math.floor(u), Math.floor(v)];
  let [sum, weight] = [0, 0];
  for (const [di, dj] of [
    [0, 0],
    [1, 0],
    [0, 1],
    [1, 1],
  ] as const) {
    const z = heights[(j + dj) * columns + i + di]!;
    const w = (di ? u - i : 1 - u + i) * (dj ? v - j : 1 - v + j);
    if (!Number.isNaN(z)) [sum, weight] = [sum + w * z, weight + w];
  }
  return weight > 0 ? sum / weight : NaN;
}

/** A seam that crosses itself cannot be sewn. */
export class SeamTooDeep extends Error {}

/** Where a level lies in the plan. */
export function levelOutline(ring: Ring, level: Level): Polygon {
  return ring.places.map((place, i): Point => {
    const [x, y] = onRing(place, level[i]!);
    return [x, y];
  });
}

/** Triangles of a rim and the places inside it. The quick way keeps every side of the rim unless places lie awkwardly. */
function triangulated(nodes: readonly [number, number][], rim: Polygon, sides: readonly [number, number][]): number[][] {
  const quick = Delaunay.from(nodes as [number, number][]).triangles;
  const found: number[][] = [];
  const known = new Set<number>();
  for (let t = 0; t < quick.length; t += 3) {
    const three = [quick[t]!, quick[t + 1]!, quick[t + 2]!];
    const [a, b, c] = [nodes[three[0]!]!, nodes[three[1]!]!, nodes[three[2]!]!];
    for (let k = 0; k < 3; k++)
      known.add(three[k]! * nodes.length + three[(k + 1) % 3]!).add(three[(k + 1) % 3]! * nodes.length + three[k]!);
    if (Math.abs(turns(a, b, c)) < 1e-9 || !isInside(rim, [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3])) continue;
    found.push(three);
  }
  const kept = sides.every(([a, b]) => known.has(a * nodes.length + b)) ? found : cdt2d(nodes, sides, { exterior: false });
  return kept.map(([a, b, c]) => (turns(nodes[a!]!, nodes[b!]!, nodes[c!]!) > 0 ? [a!, b!, c!] : [a!, c!, b!]));
}

/**
 * Everything inside a seam that goes all the way round: the crown's own surface, and rows down the side where the seam
 * lies below the shoulder.
 *
 * @param ring the covered surface
 * @param level the seam
 * @param spacing wanted side of a triangle, mm
 * @param [slits] darts, or cuts right across
 * @throws SeamTooDeep where the seam crosses itself
 */
export function discMesh(ring: Ring, level: Level, spacing: number, slits: readonly Slit[] = []): DiscMesh {
  const n = ring.places.length;
  const shoulder = level.map((v) => Math.min(v, 0));
  const rim = levelOutline(ring, shoulder);
  if (crossesItself(rim)) throw new SeamTooDeep('The seam crosses itself: it lies too deep for this outline');
  const points: number[] = [];
  const start: number[] = [];
  ring.places.forEach((place, i) => {
    points.push(...onRing(place, shoulder[i]!));
    start.push(...rim[i]!);
  });
  const nodes: [number, number][] = rim.map(([x, y]) => [x, y]);
  const add = (at: Point): number | null => {
    const z = heightOn(ring.grid, ...at);
    if (Number.isNaN(z)) return null;
    nodes.push([at[0], at[1]]);
    points.push(at[0], at[1], z);
    start.push(at[0], at[1]);
    return nodes.length - 1;
  };
  const paths = slits.map(({ from, to }) => {
    const [a, b] = [rim[from]!, typeof to === 'number' ? rim[to]! : to];
    const steps = Math.max(2, Math.round(Math.hypot(b[0] - a[0], b[1] - a[1]) / spacing));
    const path = [from];
    const last = typeof to === 'number' ? steps - 1 : steps;
    for (let k = 1; k <= last; k++) {
      const node = add([a[0] + ((b[0] - a[0]) * k) / steps, a[1] + ((b[1] - a[1]) * k) / steps]);
      if (node !== null) path.push(node);
    }
    if (typeof to === 'number') path.push(to);
    return path;
  });
  const keep = nodes.slice(n);
  const box = bounds(rim);
  const row = (spacing * Math.sqrt(3)) / 2;
  for (let r = Math.ceil(box.minY / row); r * row <= box.maxY; r++) {
    const shift = r % 2 === 0 ? 0 : spacing / 2;
    for (let c = Math.floor(box.minX / spacing) - 1; c * spacing + shift <= box.maxX; c++) {
      const at: Point = [c * spacing + shift, r * row];
      if (!isInside(rim, at) || distanceTo(rim, at) < spacing * RIM) continue;
      if (keep.some((k) => Math.hypot(k[0] - at[0], k[1] - at[1]) < spacing * 0.62)) continue;
      add(at);
    }
  }
  const sides = [
    ...rim.map((_, i): [number, number] => [i, (i + 1) % n]),
    ...paths.flatMap((path) => path.slice(1).map((node, k): [number, number] => [path[k]!, node])),
  ];
  const triangles = triangulated(nodes, rim, sides);
  const place: number[] = nodes.map((_, i) => (i < n ? i : -1));
  const below = level.map((v) => Math.max(v, 0));
  const deepest = below.reduce((most, v) => Math.max(most, v), 0);
  if (deepest > 0.5) {
    let outer = Array.from({ length: n }, (_, i) => i);
    const rows = Math.max(1, Math.round(deepest / spacing));
    for (let r = 1; r <= rows; r++) {
      const first = points.length / 3;
      ring.places.forEach((at, i) => {
        const v = (below[i]! * r) / rows;
        points.push(...onRing(at, shoulder[i]! + v));
        start.push(rim[i]![0] + at.out[0] * v, rim[i]![1] + at.out[1] * v);
        place.push(i);
      });
      for (let i = 0; i < n; i++) {
        const j = (i + 1) % n;
        triangles.push([outer[i]!, first + i, first + j], [outer[i]!, first + j, outer[j]!]);
      }
      // A slit that begins or ends at the shoulder goes on down to the seam.
      paths.forEach((path, k) => {
        const { from, to } = slits[k]!;
        path.unshift(first + from);
        if (typeof to === 'number') path.push(first + to);
      });
      outer = Array.from({ length: n }, (_, i) => first + i);
    }
  }
  const mesh: DiscMesh = {
    points: Float64Array.from(points),
    triangles: Uint32Array.from(triangles.flat()),
    start: Float64Array.from(start),
    place: Int32Array.from(place),
    slits: [],
  };
  return paths.reduce((cut, path, k) => slitOpen(cut, path, typeof slits[k]!.to === 'number'), mesh);
}

/** Parts a mesh along a straight row of nodes: those on its right get nodes of their own; a dart's tip stays one. */
function slitOpen(mesh: DiscMesh, path: readonly number[], through: boolean): DiscMesh {
  const { points, start, place } = mesh;
  const [a, b] = [path[0]!, path.at(-1)!];
  const own = new Map<number, number>();
  let next = points.length / 3;
  for (const node of through ? path : path.slice(0, -1)) own.set(node, next++);
  const [dx, dy] = [start[2 * b]! - start[2 * a]!, start[2 * b + 1]! - start[2 * a + 1]!];
  const triangles = Uint32Array.from(mesh.triangles);
  for (let t = 0; t < triangles.length; t += 3) {
    const three = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    if (!three.some((node) => own.has(node))) continue;
    const x = three.reduce((sum, node) => sum + start[2 * node]!, 0) / 3 - start[2 * a]!;
    const y = three.reduce((sum, node) => sum + start[2 * node + 1]!, 0) / 3 - start[2 * a + 1]!;
    if (dx * y - dy * x < 0) three.forEach((node, k) => (triangles[t + k] = own.get(node) ?? node));
  }
  const copied = [...own.keys()];
  const grow = <T extends Float64Array | Int32Array>(from: T, size: number): T => {
    const to = (
      from instanceof Int32Array ? new Int32Array(from.length + copied.length * size) : new Float64Array(from.length + copied.length * size)
    ) as T;
    to.set(from as never);
    copied.forEach((node, k) => {
      for (let c = 0; c < size; c++) to[from.length + k * size + c] = from[node * size + c]!;
    });
    return to;
  };
  return {
    points: grow(points, 3),
    triangles,
    start: grow(start, 2),
    place: grow(place, 1),
    slits: [...mesh.slits, [...path], path.map((node) => own.get(node) ?? node)],
  };
}

/** The edges of a mesh as closed rows of nodes, counter-clockwise round its cloth. */
export function rimLoops(triangles: Uint32Array): number[][] {
  const next = new Map<number, number>();
  const seen = new Set<string>();
  for (let t = 0; t < triangles.length; t += 3) for (let k = 0; k < 3; k++) seen.add(`${triangles[t + k]} ${triangles[t + ((k + 1) % 3)]}`);
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!];
      if (!seen.has(`${b} ${a}`)) next.set(a, b);
    }
  const loops: number[][] = [];
  while (next.size > 0) {
    const first = next.keys().next().value!;
    const loop: number[] = [];
    for (let at: number | undefined = first; at !== undefined && next.has(at);) {
      loop.push(at);
      const to: number = next.get(at)!;
      next.delete(at);
      at = to;
    }
    loops.push(loop);
  }
  return loops;
}

function turns(a: readonly number[], b: readonly number[], c: readonly number[]): number {
  return (b[0]! - a[0]!) * (c[1]! - a[1]!) - (b[1]! - a[1]!) * (c[0]! - a[0]!);
}

/** Where each column of a strip lies when it is unrolled: it bends as its two edges differ in length; level in its middle. */
function developed(ring: Ring, inner: Level, outer: Level, columns: readonly number[]): { x: number; y: number; angle: number }[] {
  const apart = (level: Level, k: number): number => {
    const [i, j] = [columns[k - 1]!, columns[k]!];
    const [a, b] = [onRing(ring.places[i]!, level[i]!), onRing(ring.places[j]!, level[j]!)];
    return Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  };
  const bends = columns.map((i, k) => {
    if (k === 0) return { length: 0, bend: 0 };
    const [upper, lower] = [apart(inner, k), apart(outer, k)];
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

/**
 * What lies between two seams, over a stretch of the way round.
 *
 * @param ring the covered surface
 * @param inner the seam nearer the middle
 * @param outer the seam nearer the staples
 * @param from number of the place where it begins
 * @param to number of the place where it ends, counted on past the last one where it goes over the beginning
 * @param spacing wanted side of a triangle, mm
 * @param lay `unrolled` along the inner seam, or `plan` as it lies seen from above
 */
export function stripMesh(
  ring: Ring,
  inner: Level,
  outer: Level,
  from: number,
  to: number,
  spacing: number,
  lay: 'unrolled' | 'plan' = 'unrolled',
): PanelMesh {
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
