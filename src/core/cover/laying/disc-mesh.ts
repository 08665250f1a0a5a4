import { readGrid } from '../../padding';
import type { SurfaceMesh } from '../../flattening';
import { bounds, crossesItself, edgeIndex, type Point, type Polygon } from '../../outline';
import { levelOutline, type Level } from '../surface/levels';
import { isLess, snapped, TIE, wholeDown, wholeUp } from '../../ties';
import { onRing, type Ring } from '../surface/ring';
import { triangulated } from './triangulate';

/** A straight cut into a panel: from a place of its rim to a place inside it, or across to another place of its rim. */
export type Slit = { from: number; to: Point | number };

/** A panel's own mesh with the place of the ring that each node of its rim belongs to, −1 inside; and the slits' nodes. */
export type DiscMesh = SurfaceMesh & { start: Float64Array; place: Int32Array; slits: number[][] };

/** Inner nodes keep this share of the spacing away from the rim, and this much from a slit. */
const RIM = 0.55;
const SLIT = 0.62;

/** A seam that crosses itself cannot be sewn. */
export class SeamTooDeep extends Error {}

/** A mesh that is being made: nodes in the plan and on the surface, triangles, the place of the ring each node lies on. */
class Growing {
  readonly nodes: [number, number][] = [];
  readonly points: number[] = [];
  readonly start: number[] = [];
  readonly place: number[] = [];
  triangles: number[][] = [];

  constructor(private readonly ring: Ring) {}

  /** A node of the surface at a plan place, where it has one. */
  inner(at: Point): number | null {
    const z = readGrid(this.ring.grid, at, true);
    return Number.isNaN(z) ? null : this.put(at, [at[0], at[1], z], -1);
  }

  put(at: Point, point: readonly [number, number, number], place: number): number {
    this.nodes.push([at[0], at[1]]);
    this.start.push(at[0], at[1]);
    this.points.push(...point);
    this.place.push(place);
    return this.place.length - 1;
  }
}

/** The nodes of a slit, in order from its rim. */
function slitPath(mesh: Growing, rim: Polygon, { from, to }: Slit, spacing: number): number[] {
  const [a, b] = [rim[from]!, typeof to === 'number' ? rim[to]! : to];
  const steps = Math.max(2, Math.round(Math.hypot(b[0] - a[0], b[1] - a[1]) / spacing));
  const path = [from];
  const last = typeof to === 'number' ? steps - 1 : steps;
  for (let k = 1; k <= last; k++) {
    const node = mesh.inner([a[0] + ((b[0] - a[0]) * k) / steps, a[1] + ((b[1] - a[1]) * k) / steps]);
    if (node !== null) path.push(node);
  }
  if (typeof to === 'number') path.push(to);
  return path;
}

/** Fills the inside of a rim with a staggered grid, clear of the rim and of what was put there before. */
function fillInside(mesh: Growing, rim: Polygon, spacing: number): void {
  const before = mesh.nodes.slice(rim.length);
  const box = bounds(rim);
  const row = (spacing * Math.sqrt(3)) / 2;
  // A little beyond what is asked, so that a tie is a tie.
  const sides = edgeIndex(rim, spacing * RIM + 1);
  for (let r = wholeUp(box.minY / row); r * row <= box.maxY + TIE; r++) {
    const shift = r % 2 === 0 ? 0 : spacing / 2;
    for (let c = wholeDown(box.minX / spacing) - 1; c * spacing + shift <= box.maxX + TIE; c++) {
      const at: Point = [c * spacing + shift, r * row];
      if (!sides.isInside(at) || isLess(sides.distanceTo(at), spacing * RIM)) continue;
      if (before.some((k) => isLess(Math.hypot(k[0] - at[0], k[1] - at[1]), spacing * SLIT))) continue;
      mesh.inner(at);
    }
  }
}

/** Rows of triangles down the side, where the seam lies below the shoulder; slits go on down to it. */
function hangRows(mesh: Growing, ring: Ring, seam: { shoulder: Level; below: Level; rim: Polygon }, slits: Slits, spacing: number): void {
  const { shoulder, below, rim } = seam;
  const n = ring.places.length;
  const deepest = below.reduce((most, v) => Math.max(most, v), 0);
  if (deepest <= 0.5) return;
  let outer = Array.from({ length: n }, (_, i) => i);
  const rows = Math.max(1, Math.round(deepest / spacing));
  for (let r = 1; r <= rows; r++) {
    const first = mesh.place.length;
    ring.places.forEach((at, i) => {
      const v = (below[i]! * r) / rows;
      mesh.put([rim[i]![0] + at.out[0] * v, rim[i]![1] + at.out[1] * v], onRing(at, shoulder[i]! + v), i);
    });
    for (let i = 0; i < n; i++) {
      const j = (i + 1) % n;
      mesh.triangles.push([outer[i]!, first + i, first + j], [outer[i]!, first + j, outer[j]!]);
    }
    slits.forEach(({ slit, path }) => {
      path.unshift(first + slit.from);
      if (typeof slit.to === 'number') path.push(first + slit.to);
    });
    outer = Array.from({ length: n }, (_, i) => first + i);
  }
}

type Slits = { slit: Slit; path: number[] }[];

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
  const rim = levelOutline(ring, shoulder).map((at): Point => [snapped(at[0]), snapped(at[1])]);
  if (crossesItself(rim)) throw new SeamTooDeep('The seam crosses itself: it lies too deep for this outline');
  const mesh = new Growing(ring);
  ring.places.forEach((place, i) => mesh.put(rim[i]!, onRing(place, shoulder[i]!), i));
  const paths: Slits = slits.map((slit) => ({ slit, path: slitPath(mesh, rim, slit, spacing) }));
  fillInside(mesh, rim, spacing);
  const sides = [
    ...rim.map((_, i): [number, number] => [i, (i + 1) % n]),
    ...paths.flatMap(({ path }) => path.slice(1).map((node, k): [number, number] => [path[k]!, node])),
  ];
  mesh.triangles = triangulated(mesh.nodes, rim, sides);
  hangRows(mesh, ring, { shoulder, below: level.map((v) => Math.max(v, 0)), rim }, paths, spacing);
  const whole: DiscMesh = {
    points: Float64Array.from(mesh.points),
    triangles: Uint32Array.from(mesh.triangles.flat()),
    start: Float64Array.from(mesh.start),
    place: Int32Array.from(mesh.place),
    slits: [],
  };
  return paths.reduce((cut, { slit, path }) => slitOpen(cut, path, typeof slit.to === 'number'), whole);
}

/**
 * The triangles on the right of a row of nodes that touch it: those at its own sides, and from there on round the nodes
 * that part, never over the row itself. The row may bend; round a dart's tip the cloth stays whole.
 */
function rightOf(triangles: Uint32Array, path: readonly number[], parts: ReadonlyMap<number, number>): Set<number> {
  const rowSides = new Set(path.slice(1).flatMap((node, k) => [`${path[k]!} ${node}`, `${node} ${path[k]!}`]));
  // Triangles run counter-clockwise: the one that walks a side of the row backwards lies on its right.
  const backwards = new Set(path.slice(1).map((node, k) => `${node} ${path[k]!}`));
  const bySide = new Map<string, number>();
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) bySide.set(`${triangles[t + k]!} ${triangles[t + ((k + 1) % 3)]!}`, t);
  const found = new Set<number>();
  const open = [...backwards].flatMap((side) => bySide.get(side) ?? []);
  for (let t = open.pop(); t !== undefined; t = open.pop()) {
    if (found.has(t)) continue;
    found.add(t);
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!];
      if (rowSides.has(`${a} ${b}`) || !(parts.has(a) || parts.has(b))) continue;
      const beyond = bySide.get(`${b} ${a}`);
      if (beyond !== undefined) open.push(beyond);
    }
  }
  return found;
}

/** Parts a mesh along a row of nodes: those on its right get nodes of their own; a dart's tip stays one. */
function slitOpen(mesh: DiscMesh, path: readonly number[], through: boolean): DiscMesh {
  const { points, start, place } = mesh;
  const item = new Map<number, number>();
  let next = points.length / 3;
  for (const node of through ? path : path.slice(0, -1)) item.set(node, next++);
  const triangles = Uint32Array.from(mesh.triangles);
  for (const t of rightOf(mesh.triangles, path, item))
    for (let k = 0; k < 3; k++) triangles[t + k] = item.get(triangles[t + k]!) ?? triangles[t + k]!;
  const copied = [...item.keys()];
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
    slits: [...mesh.slits, [...path], path.map((node) => item.get(node) ?? node)],
  };
}
