import type { Point } from '../../outline';
import type { CornerPlan, CornerWay } from '../pulled/corners';
import { cornerPlaces } from '../surface/levels';
import { onRing, sideOf, type Ring } from '../surface/ring';
import type { DiscMesh } from './disc-mesh';

/** A pulled cover's cloth from the shoulder down to the board's lower edge, and where it lies on the blank. */
export type PulledSides = { points: Float64Array; triangles: Uint32Array; flat: Float64Array };

/** Rows down a side: at least, at most, and how high one is, mm. */
const ROWS = { least: 5, most: 28, height: 4 };
/** At these the cloth of either side runs on as it lies, up to where it is folded; elsewhere it gathers as it goes round. */
const FOLDED: ReadonlySet<CornerWay> = new Set(['tucks', 'parcel fold', 'bulk cut away']);
/** The edge still turns where it bends by more than this over a millimetre, radians. */
const TURNS = 0.0015;

/** Where one side of a folded corner's cloth comes from: the last place before the edge turns. */
type Fold = { from: number; out: Point };

/** For every place in a folded corner, which side's cloth lies there; at its middle both do. */
function folds(ring: Ring, corners: readonly CornerPlan[]): { before: Map<number, Fold>; after: Map<number, Fold> } {
  const n = ring.places.length;
  const at = (i: number) => ring.places[((i % n) + n) % n]!;
  const [before, after] = [new Map<number, Fold>(), new Map<number, Fold>()];
  const middles = cornerPlaces(ring);
  const turnOf = (i: number, j: number): number => {
    const [a, b] = [at(i).out, at(j).out];
    return Math.abs(Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]));
  };
  const distanceBetween = (i: number, j: number): number => {
    const d = Math.abs(at(i).at - at(j).at);
    return Math.max(0.1, Math.min(d, ring.total - d));
  };
  for (const middle of middles) {
    const { point } = at(middle);
    const cornerPlan = corners.reduce<CornerPlan | null>(
      (best, corner) =>
        !best || Math.hypot(corner.x - point[0], corner.y - point[1]) < Math.hypot(best.x - point[0], best.y - point[1]) ? corner : best,
      null,
    );
    if (!cornerPlan || !FOLDED.has(cornerPlan.way)) continue;
    for (const [step, into] of [
      [-1, before],
      [1, after],
    ] as const) {
      let end = middle;
      // No farther than half the way to the next corner.
      while (!middles.includes((((end + step) % n) + n) % n) && turnOf(end, end + step) / distanceBetween(end, end + step) > TURNS)
        end += step;
      const from = (((end + step) % n) + n) % n;
      const fold = { from, out: at(from).out };
      for (let i = middle; i !== end + step; i += step) into.set(((i % n) + n) % n, fold);
    }
  }
  return { before, after };
}

/** A column of the sides: a place of the ring, and which side's cloth lies there. */
type Column = { place: number; fold: Fold | null };

/**
 * The sides of a pulled cover. Cloth runs straight on from where the top was laid flat: square to the edge, as far as the
 * covered section is long; at a folded corner each side's cloth goes on along its own side up to the fold.
 *
 * @param ring the covered surface
 * @param top the top inside the shoulder, whose rim nodes name their places of the ring
 * @param laid the top laid flat, x y by twos, mm
 * @param corners what is done at each corner
 */
export function pulledSides(ring: Ring, top: DiscMesh, laid: Float64Array, corners: readonly CornerPlan[]): PulledSides {
  const n = ring.places.length;
  const rim = new Map<number, Point>();
  top.place.forEach((place, node) => place >= 0 && !rim.has(place) && rim.set(place, [laid[2 * node]!, laid[2 * node + 1]!]));
  const { before, after } = folds(ring, corners);
  const columns: Column[] = ring.places.flatMap((_, place): Column[] => {
    const [a, b] = [before.get(place), after.get(place)];
    return a && b
      ? [
          { place, fold: a },
          { place, fold: b },
        ]
      : [{ place, fold: a ?? b ?? null }];
  });
  columns.push(columns[0]!);
  const highest = ring.places.reduce((most, { profile }) => Math.max(most, sideOf(profile)), 0);
  const rows = Math.min(ROWS.most, Math.max(ROWS.least, Math.ceil(highest / ROWS.height)));
  const surface = (place: number, r: number): [number, number, number] => {
    const ringPlace = ring.places[place]!;
    return onRing(ringPlace, (sideOf(ringPlace.profile) * r) / rows);
  };
  /** How far it is along a row from one place to another, and how far along the shoulder. */
  const along = (from: number, to: number, r: number): number => {
    const step = (to - from + n) % n <= n / 2 ? 1 : n - 1;
    let sum = 0;
    for (let i = from; i !== to; i = (i + step) % n) {
      const [a, b] = [surface(i, r), surface((i + step) % n, r)];
      sum += Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
    }
    return step === 1 ? sum : -sum;
  };
  const points: number[] = [];
  const flat: number[] = [];
  for (const { place, fold } of columns) {
    const { profile, out } = ring.places[place]!;
    const [x, y] = rim.get(place)!;
    // Down the side the cloth is as long as the side, at a bend too.
    const [ox, oy] = fold?.out ?? out;
    const size = Math.hypot(ox, oy);
    const [nx, ny] = [ox / size, oy / size];
    for (let r = 0; r <= rows; r++) {
      const v = (sideOf(profile) * r) / rows;
      points.push(...surface(place, r));
      // Counter-clockwise round the piece: along the edge is a quarter turn on from the way out.
      const on = fold ? along(fold.from, place, r) - along(fold.from, place, 0) : 0;
      flat.push(x + nx * v - ny * on, y + ny * v + nx * on);
    }
  }
  const triangles: number[] = [];
  const node = (k: number, r: number): number => k * (rows + 1) + r;
  for (let k = 0; k + 1 < columns.length; k++) {
    if (columns[k]!.place === columns[k + 1]!.place) continue;
    for (let r = 0; r < rows; r++)
      triangles.push(node(k, r), node(k, r + 1), node(k + 1, r + 1), node(k, r), node(k + 1, r + 1), node(k + 1, r));
  }
  return { points: Float64Array.from(points), triangles: Uint32Array.from(triangles), flat: Float64Array.from(flat) };
}
