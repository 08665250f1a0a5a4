import { polygonHull } from 'd3';

/** A place in space, mm. */
export type Place3 = readonly [x: number, y: number, z: number];

/** A surface as triangles: x y z by threes, mm. */
export type Surface = { points: ArrayLike<number>; triangles: ArrayLike<number> };

/** What a tape says between two places: as the crow flies, and laid over the cloth with where it lies. Lengths mm. */
export type Taped = { straight: number; over: number; path: Place3[] };

/** Two places nearer in plan than this stand one above the other, mm. */
const ABOVE = 0.5;
/** A place so little over the line between the two ends is on it, mm. */
const ON = 1e-6;

type Flat = [along: number, up: number];

/** The plane that a tape lies in: upright, through both places; where one is above the other, also through the middle. */
function planeOf(a: Place3, b: Place3, middle: readonly [number, number]): [number, number] {
  const [from, to] = Math.hypot(b[0] - a[0], b[1] - a[1]) > ABOVE ? [a, b] : [middle, b];
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const long = Math.hypot(dx, dy);
  return long > ABOVE ? [dx / long, dy / long] : [1, 0];
}

/** Where an upright plane cuts a surface. */
function cutThrough({ points, triangles }: Surface, [x0, y0]: Place3, [dx, dy]: readonly [number, number]): Flat[] {
  const found: Flat[] = [];
  const beside = (i: number): number => (points[3 * i]! - x0) * -dy + (points[3 * i + 1]! - y0) * dx;
  const along = (i: number): number => (points[3 * i]! - x0) * dx + (points[3 * i + 1]! - y0) * dy;
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [i, j] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!];
      const [a, b] = [beside(i), beside(j)];
      if (a > 0 === b > 0) continue;
      const share = a / (a - b);
      const between = (p: number, q: number): number => p + (q - p) * share;
      found.push([between(along(i), along(j)), between(points[3 * i + 2]!, points[3 * j + 2]!)]);
    }
  return found;
}

/** The hull from one end to the other, along the side on which the tape lies: the two ends are neighbours on it. */
function chain(hull: readonly (readonly [number, number])[], from: Flat, to: Flat): Flat[] {
  const place = (end: Flat): number => hull.findIndex(([s, z]) => s === end[0] && z === end[1]);
  const [i, j] = [place(from), place(to)];
  const n = hull.length;
  // Where they are neighbours the other way round, the way is walked backwards.
  const step = (i + 1) % n === j ? n - 1 : 1;
  return Array.from({ length: n }, (_, k): Flat => [...hull[(i + k * step) % n]!] as Flat);
}

/**
 * What a tape measures between two places of a surface. Held at both ends and drawn tight it lies on the surface where that
 * stands up and bridges where it goes down: the hull of what stands over the straight line between them, in the upright
 * plane through both.
 *
 * @param surface one or several parts of it
 * @param a where the tape begins, mm
 * @param b where it ends, mm
 */
export function tapeOver(surface: readonly Surface[], a: Place3, b: Place3): Taped {
  const straight = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  const alone: Taped = { straight, over: straight, path: [a, b] };
  if (straight < ON) return alone;
  const middle = middleOf(surface);
  const way = planeOf(a, b, middle);
  const cut = surface.flatMap((part) => cutThrough(part, a, way));
  if (cut.length === 0) return alone;
  const [from, to]: [Flat, Flat] = [
    [0, a[2]],
    [(b[0] - a[0]) * way[0] + (b[1] - a[1]) * way[1], b[2]],
  ];
  const [ux, uz] = [(to[0] - from[0]) / straight, (to[1] - from[1]) / straight];
  const aside = ([s, z]: Flat): number => -(s - from[0]) * uz + (z - from[1]) * ux;
  const far = ([s, z]: Flat): number => (s - from[0]) * ux + (z - from[1]) * uz;
  // The padding is on one side of the line, the hand with the tape on the other.
  const reach = cut.map(([s]) => s);
  const core: Flat = [(Math.min(...reach) + Math.max(...reach)) / 2, Math.min(...cut.map(([, z]) => z)) - 1];
  const outward = aside(core) > 0 ? -1 : 1;
  const over = cut.filter((at) => outward * aside(at) > ON && far(at) > -ON && far(at) < straight + ON);
  if (over.length === 0) return alone;
  const hull = polygonHull([from, to, ...over]);
  if (!hull) return alone;
  const path = chain(hull, from, to);
  const length = path.slice(1).reduce((sum, at, i) => sum + Math.hypot(at[0] - path[i]![0], at[1] - path[i]![1]), 0);
  return { straight, over: length, path: path.map(([s, z]): Place3 => [a[0] + s * way[0], a[1] + s * way[1], z]) };
}

function middleOf(surface: readonly Surface[]): [number, number] {
  let [x, y, count] = [0, 0, 0];
  for (const { points } of surface)
    for (let i = 0; i < points.length; i += 3) {
      x += points[i]!;
      y += points[i + 1]!;
      count += 1;
    }
  return count > 0 ? [x / count, y / count] : [0, 0];
}
