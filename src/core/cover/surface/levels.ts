import type { RuleReader } from '../../house';
import { CORNER_BEND, type Point, type Polygon } from '../../outline';
import type { Covering, SeamMove } from '../../piece';
import { isGreater, leastOf } from '../../ties';
import { atInset, faceOf, onProfile, onRing, sideOf, type Profile, type Ring } from './ring';

/** A seam's place at each place of the ring: length from the shoulder, mm. */
export type Level = Float64Array;

/** From one place of the ring to another, counted on past the last one. */
export type Stretch = { from: number; to: number };

/** A seam on top lies this much farther in than one on the edge; one below lies as far under the side's widest line, mm. */
const ON_TOP = 14;
/** A seam keeps this much of the side below it, mm. */
const LEAST_SIDE = 8;

/** Where the side stands out farthest: length from the shoulder, mm. */
function widest({ u, v }: Profile): number {
  let best = 0;
  u.forEach((value, k) => {
    if (isGreater(value, u[best]!)) best = k;
  });
  return v[best]!;
}

/** How far the moves made by eye shift a seam at a share of the way round: even from one to the next. */
export function movedBy(moves: readonly SeamMove[], share: number): number {
  if (moves.length === 0) return 0;
  const sorted = [...moves].sort((a, b) => a.at - b.at);
  const next = sorted.find((move) => move.at > share) ?? { ...sorted[0]!, at: sorted[0]!.at + 1 };
  const before = sorted.findLast((move) => move.at <= share) ?? { ...sorted.at(-1)!, at: sorted.at(-1)!.at - 1 };
  const span = next.at - before.at;
  return span > 1e-9 ? before.by + ((next.by - before.by) * (share - before.at)) / span : before.by;
}

/**
 * Where the top seam lies at every place: so far in from the side's widest line, farther in on top of the pad, or just
 * below the edge; then as it was moved by eye.
 */
export function topSeam(ring: Ring, covering: Covering, rule: RuleReader, boxed = false): Level {
  const inside = rule('topSeamIn');
  // A boxed edge has its corner where the seam is held: on it, so far in on top, or so far down the band.
  const seamOffset = covering.seamAt === 'on-top' ? -inside : covering.seamAt === 'below' ? ON_TOP : 0;
  return Float64Array.from(ring.places, ({ profile, at }) => {
    const face = faceOf(profile);
    const value = boxed
      ? seamOffset
      : covering.seamAt === 'below'
        ? widest(profile) + ON_TOP
        : atInset(profile, inside + (covering.seamAt === 'on-top' ? ON_TOP : 0) - face);
    const shifted = value + movedBy(covering.seamMoves ?? [], at / ring.total);
    return Math.max(profile.v[0]!, Math.min(shifted, sideOf(profile) - LEAST_SIDE));
  });
}

/** A seam at a distance inside the board's edge, mm. */
export function insetSeam(ring: Ring, inset: number, covering: Covering): Level {
  return Float64Array.from(ring.places, ({ profile, at }) => atInset(profile, inset) + movedBy(covering.seamMoves ?? [], at / ring.total));
}

/** The board's lower edge. */
export function lowerEdge(ring: Ring): Level {
  return Float64Array.from(ring.places, ({ profile }) => sideOf(profile));
}

/** Length on the piece from each place to the next along a level, mm. */
export function levelSteps(ring: Ring, level: Level): Float64Array {
  const n = ring.places.length;
  return Float64Array.from(ring.places, (place, i) => {
    const [a, b] = [onRing(place, level[i]!), onRing(ring.places[(i + 1) % n]!, level[(i + 1) % n]!)];
    return Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  });
}

/** Numbers of the places where the edge bends by a corner. */
export function cornerPlaces(ring: Ring, least = CORNER_BEND): number[] {
  return ring.places.flatMap((place, i) => (place.turn > least ? [i] : []));
}

/** The place nearest a share of the way round. */
export function placeAt(ring: Ring, share: number): number {
  const at = (((share % 1) + 1) % 1) * ring.total;
  return leastOf(ring.places.length, (i) => {
    const d = Math.abs(ring.places[i]!.at - at);
    return Math.min(d, ring.total - d);
  });
}

/** Where a level lies in the plan. */
export function levelOutline(ring: Ring, level: Level): Polygon {
  return ring.places.map((place, i): Point => {
    const [x, y] = onRing(place, level[i]!);
    return [x, y];
  });
}

/** How long a level is on the piece, all round or over a stretch of it, mm. */
export function levelLength(ring: Ring, level: Level, over?: Stretch): number {
  const steps = levelSteps(ring, level);
  return over ? stretchLength(steps, over.from, over.to) : steps.reduce((sum, step) => sum + step, 0);
}

/** The places of a stretch, in order; of all round every one. */
export function placesOver({ places }: Ring, over?: Stretch): number[] {
  return over ? Array.from({ length: over.to - over.from + 1 }, (_, k) => (over.from + k) % places.length) : places.map((_, i) => i);
}

/** A level between two places counted on past the end, mm. */
export function stretchLength(steps: Float64Array, from: number, to: number): number {
  let length = 0;
  for (let i = from; i < to; i++) length += steps[((i % steps.length) + steps.length) % steps.length]!;
  return length;
}

/** Where a level lies in the plan, as it is drawn. */
export function levelPoints(ring: Ring, level: Level): [number, number][] {
  return ring.places.map((place, i): [number, number] => {
    const [u] = onProfile(place.profile, level[i]!);
    return [place.point[0] + u * place.out[0], place.point[1] + u * place.out[1]];
  });
}

/** How high a level lies at each place, mm. */
export function levelHeights(ring: Ring, level: Level): number[] {
  return ring.places.map(({ profile }, i) => onProfile(profile, level[i]!)[1]);
}

/** What an edge between two places is called: the edge that most of it belongs to. */
export function edgeName(ring: Ring, from: number, to: number): string {
  const names = new Map<string, number>();
  for (let i = from + 1; i < to; i++) {
    const { edge } = ring.places[i % ring.places.length]!;
    names.set(edge, (names.get(edge) ?? 0) + 1);
  }
  return [...names].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'all round';
}

/** Stretches between places, counted on past the end. */
export function stretches(ring: Ring, marks: readonly number[]): [number, number][] {
  const n = ring.places.length;
  const sorted = [...new Set(marks)].sort((a, b) => a - b);
  return sorted.map((from, k): [number, number] => [from, k + 1 < sorted.length ? sorted[k + 1]! : sorted[0]! + n]);
}
