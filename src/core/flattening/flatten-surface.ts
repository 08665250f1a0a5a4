import { mixer } from '../mixing';
import { banded, endsOf, entryAt, factor, solve, type Banded } from '../mechanics/section';
import type { SurfaceMesh } from './types';

/** A surface laid flat: x, y of each node; `moved` is the farthest that a node still went in the last round, mm. */
export type Flattened = { flat: Float64Array; rounds: number; moved: number; settled: boolean };

export type FlattenOptions = {
  /** pairs of neighbouring nodes whose distance is kept: edges that are sewn to something */
  hold?: Uint32Array;
  /** rounds at most */
  rounds?: number;
  /** at rest when no node moves farther than this in a round, mm */
  tolerance?: number;
  /** told of the first picture and then of every tenth round's; answer false to stop there */
  tell?: (flat: Float64Array, round: number) => boolean;
};

/** A cloth edge held to its length is this much stiffer than a triangle's side. */
const HOLD = 300;
/** Cotangents of slivers are kept within these, so that the sum stays positive. */
const LEAST_WEIGHT = 0.02;
const MOST_WEIGHT = 20;
/** How many rounds back the acceleration looks. */
const WINDOW = 6;
/** How lightly every node is tied to where it began, beside weights of about one. */
const TETHER = 1e-8;

/** What stays the same from round to round. */
type System = {
  /** each triangle's sides at rest, x and y of the three, and their weights */
  rest: Float64Array;
  weights: Float64Array;
  holdLength: Float64Array;
  matrix: Banded;
  /** row of a node */
  row: Uint32Array;
  pinned: number;
  pin: number;
};

function restOf({ points, triangles }: SurfaceMesh): { rest: Float64Array; weights: Float64Array } {
  const count = triangles.length / 3;
  const rest = new Float64Array(count * 6);
  const weights = new Float64Array(count * 3);
  for (let t = 0; t < count; t++) {
    const at = [0, 1, 2].map((k) => triangles[3 * t + k]! * 3);
    const side = (a: number, b: number): [number, number, number] => [
      points[at[b]!]! - points[at[a]!]!,
      points[at[b]! + 1]! - points[at[a]! + 1]!,
      points[at[b]! + 2]! - points[at[a]! + 2]!,
    ];
    const [p, q] = [side(0, 1), side(0, 2)];
    const base = Math.hypot(...p) || 1e-9;
    const along = (p[0] * q[0] + p[1] * q[1] + p[2] * q[2]) / base;
    const high = Math.max(1e-9, Math.sqrt(Math.max(0, q[0] ** 2 + q[1] ** 2 + q[2] ** 2 - along * along)));
    // Side k runs from corner k to the next.
    rest.set([base, 0, along - base, high, -along, -high], 6 * t);
    // The weight of a side is half the cotangent of the corner across from it.
    const cot = [(along * (along - base) + high * high) / (base * high), along / high, (base - along) / high];
    for (let k = 0; k < 3; k++) weights[3 * t + k] = Math.min(MOST_WEIGHT, Math.max(LEAST_WEIGHT, cot[k]! / 2));
  }
  return { rest, weights };
}

/** The direction in which a picture is longest. */
function longAxis(flat: Float64Array): [number, number] {
  const n = flat.length / 2;
  let [mx, my] = [0, 0];
  for (let i = 0; i < n; i++) [mx, my] = [mx + flat[2 * i]! / n, my + flat[2 * i + 1]! / n];
  let [xx, xy, yy] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    const [x, y] = [flat[2 * i]! - mx, flat[2 * i + 1]! - my];
    [xx, xy, yy] = [xx + x * x, xy + x * y, yy + y * y];
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  return [Math.cos(angle), Math.sin(angle)];
}

/** Nodes in the order in which a line sweeps over the first picture, the way that keeps neighbours nearest each other. */
function swept({ triangles }: SurfaceMesh, start: Float64Array): { order: Uint32Array; row: Uint32Array; width: number } {
  const n = start.length / 2;
  const ways = [longAxis(start), [1, 0], [0, 1]].map(([ax, ay]) => {
    const key = Float64Array.from({ length: n }, (_, i) => start[2 * i]! * ax! + start[2 * i + 1]! * ay!);
    const order = Uint32Array.from(key, (_, i) => i).sort((a, b) => key[a]! - key[b]!);
    const row = new Uint32Array(n);
    order.forEach((node, i) => (row[node] = i));
    let width = 0;
    for (let t = 0; t < triangles.length; t += 3)
      for (let k = 0; k < 3; k++) width = Math.max(width, Math.abs(row[triangles[t + k]!]! - row[triangles[t + ((k + 1) % 3)]!]!));
    return { order, row, width };
  });
  return ways.reduce((best, way) => (way.width < best.width ? way : best));
}

function systemOf(mesh: SurfaceMesh, start: Float64Array, hold: Uint32Array): System {
  const { points, triangles } = mesh;
  const n = points.length / 3;
  const { rest, weights } = restOf(mesh);
  const { order, row, width } = swept(mesh, start);
  const matrix = banded(n, width);
  const first = Int32Array.from({ length: n }, (_, i) => i);
  const put = (a: number, b: number, w: number): void => {
    const [i, j] = [row[a]!, row[b]!];
    const [high, low] = i > j ? [i, j] : [j, i];
    matrix.columns[entryAt(matrix, i, i)]! += w;
    matrix.columns[entryAt(matrix, j, j)]! += w;
    matrix.columns[entryAt(matrix, high, low)]! -= w;
    if (low < first[high]!) first[high] = low;
  };
  for (let t = 0; t < triangles.length / 3; t++)
    for (let k = 0; k < 3; k++) put(triangles[3 * t + k]!, triangles[3 * t + ((k + 1) % 3)]!, weights[3 * t + k]!);
  const holdLength = new Float64Array(hold.length / 2);
  for (let e = 0; e < holdLength.length; e++) {
    const [a, b] = [hold[2 * e]!, hold[2 * e + 1]!];
    put(a, b, HOLD);
    holdLength[e] = Math.hypot(
      points[3 * b]! - points[3 * a]!,
      points[3 * b + 1]! - points[3 * a + 1]!,
      points[3 * b + 2]! - points[3 * a + 2]!,
    );
  }
  // One node is pinned: where the sheet lies on the table is nobody's business.
  const pinned = order[n >> 1]!;
  const pin = 1;
  // So are, ever so lightly, all the others: a panel that is cut through comes in two.
  for (let i = 0; i < n; i++) matrix.columns[entryAt(matrix, i, i)]! += TETHER;
  matrix.columns[entryAt(matrix, row[pinned]!, row[pinned]!)]! += pin;
  matrix.last.set(endsOf(first));
  if (!factor(matrix)) throw new Error('The surface has triangles without area: it cannot be laid flat');
  return { rest, weights, holdLength, matrix, row, pinned, pin };
}

/**
 * Lays a surface flat as rigidly as can be: every triangle is turned, not stretched, as near as its neighbours allow
 * (local turn in closed form, global solve with one factorisation, accelerated by Anderson's mixing of the last rounds).
 * Source: docs/models.md, "Flattening".
 *
 * @param mesh the surface, mm
 * @param start a first picture of it: x, y of each node, mm
 * @param [options] edges to keep at length, rounds, tolerance
 * @throws Error where triangles have no area
 */
export function flattenSurface(mesh: SurfaceMesh, start: Float64Array, options: FlattenOptions = {}): Flattened {
  const { rounds = 400, tolerance = 0.01 } = options;
  const hold = options.hold ?? new Uint32Array(0);
  const n = mesh.points.length / 3;
  const { triangles } = mesh;
  if (options.tell && !options.tell(start, 0)) return { flat: start, rounds: 0, moved: Infinity, settled: false };
  const system = systemOf(mesh, start, hold);
  const { rest, weights, holdLength, matrix, row } = system;
  const right = [new Float64Array(n), new Float64Array(n)] as const;
  const put = (a: number, b: number, x: number, y: number): void => {
    const [i, j] = [row[a]!, row[b]!];
    right[0][j]! += x;
    right[1][j]! += y;
    right[0][i]! -= x;
    right[1][i]! -= y;
  };
  /** One round from a picture to the next; returns the energy of the picture it was given. */
  const step = (from: Float64Array, into: Float64Array): number => {
    right[0].fill(0);
    right[1].fill(0);
    let energy = 0;
    for (let t = 0; t < triangles.length / 3; t++) {
      let c = 0;
      let s = 0;
      let value = 0;
      for (let k = 0; k < 3; k++) {
        const [a, b] = [triangles[3 * t + k]!, triangles[3 * t + ((k + 1) % 3)]!];
        const w = weights[3 * t + k]!;
        const [rx, ry] = [rest[6 * t + 2 * k]!, rest[6 * t + 2 * k + 1]!];
        const [fx, fy] = [from[2 * b]! - from[2 * a]!, from[2 * b + 1]! - from[2 * a + 1]!];
        c += w * (rx * fx + ry * fy);
        s += w * (rx * fy - ry * fx);
        value += w * (rx * rx + ry * ry + fx * fx + fy * fy);
      }
      const size = Math.hypot(c, s) || 1e-30;
      energy += value - 2 * size;
      c /= size;
      s /= size;
      for (let k = 0; k < 3; k++) {
        const w = weights[3 * t + k]!;
        const [rx, ry] = [rest[6 * t + 2 * k]!, rest[6 * t + 2 * k + 1]!];
        put(triangles[3 * t + k]!, triangles[3 * t + ((k + 1) % 3)]!, w * (c * rx - s * ry), w * (s * rx + c * ry));
      }
    }
    for (let e = 0; e < holdLength.length; e++) {
      const [a, b] = [hold[2 * e]!, hold[2 * e + 1]!];
      const [fx, fy] = [from[2 * b]! - from[2 * a]!, from[2 * b + 1]! - from[2 * a + 1]!];
      const size = Math.hypot(fx, fy) || 1e-30;
      energy += HOLD * (size - holdLength[e]!) ** 2;
      put(a, b, (HOLD * holdLength[e]! * fx) / size, (HOLD * holdLength[e]! * fy) / size);
    }
    for (let i = 0; i < n; i++) {
      right[0][row[i]!]! += TETHER * start[2 * i]!;
      right[1][row[i]!]! += TETHER * start[2 * i + 1]!;
    }
    const at = row[system.pinned]!;
    right[0][at]! += system.pin * start[2 * system.pinned]!;
    right[1][at]! += system.pin * start[2 * system.pinned + 1]!;
    solve(matrix, right[0]);
    solve(matrix, right[1]);
    for (let i = 0; i < n; i++) {
      into[2 * i] = right[0][row[i]!]!;
      into[2 * i + 1] = right[1][row[i]!]!;
    }
    return energy;
  };
  return mixed(step, start, { rounds, tolerance, tell: options.tell });
}

/** Repeats a step to its fixed point with Anderson's acceleration; a mixed picture of higher energy is dropped. */
function mixed(
  step: (from: Float64Array, into: Float64Array) => number,
  start: Float64Array,
  { rounds, tolerance, tell }: { rounds: number; tolerance: number; tell: FlattenOptions['tell'] },
): Flattened {
  let at: Float64Array = Float64Array.from(start);
  const plain = new Float64Array(start.length);
  const mix = mixer(WINDOW);
  let best = Infinity;
  let change = Infinity;
  for (let round = 1; round <= rounds; round++) {
    const energy = step(at, plain);
    const before = mix.last();
    if (energy > best * (1 + 1e-12) && before) {
      // The mix overshot: go on from the last plain step instead.
      at = before;
      mix.forget();
      continue;
    }
    best = energy;
    change = 0;
    for (let i = 0; i < start.length; i++) change = Math.max(change, Math.abs(plain[i]! - at[i]!));
    if (tell && round % 10 === 0 && !tell(plain, round)) return { flat: plain, rounds: round, moved: change, settled: false };
    if (change < tolerance) return { flat: plain, rounds: round, moved: change, settled: true };
    at = mix.next(at, plain);
  }
  return { flat: plain, rounds, moved: change, settled: false };
}
