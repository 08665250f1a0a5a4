import type { CoveredSurface, HeightGrid, Stack, StationSection } from '../../padding';
import { TIE, wholeUp } from '../../ties';
import { CORNER_BEND, distanceAlong, type EdgePart, type Point } from '../../outline';

/**
 * The cover in one cut, from inside its shoulder to the board's lower edge: u is how far out of the board's edge, z the
 * height, v the length along the cover from the shoulder (where it turns steeper than 45°), + down the side.
 */
export type Profile = { u: Float64Array; z: Float64Array; v: Float64Array };

/** A place round the board's edge and the cover there. `out` moves a place by one millimetre square to its edge. */
export type RingPlace = {
  at: number;
  point: Point;
  out: Point;
  /** which part of the edge it belongs to, and what that is called */
  part: EdgePart;
  edge: string;
  /** the bend here if this is a corner's middle, radians */
  turn: number;
  /** number of the station here, or null between two */
  station: string | null;
  profile: Profile;
};

/** The covered surface in places round the edge, and the heights between them. */
export type Ring = { total: number; places: RingPlace[]; grid: HeightGrid };

/** Points of a profile inside the shoulder and down the side. */
const INNER = 20;
const OUTER = 24;
/** A step round the edge never bends more than this, radians. */
const BEND = 0.2;
/** The window over which bends are spread is so much wider than the deepest seam asks for. */
const SPREAD = 1.7;

/** Bends between two sides of the flattened edge sharper than this are corners, radians; curves are read over this, mm. */
const SHARP = 0.2;
const LOCAL = 4;

type Line = { u: number; z: number; v: number }[];

/** A station's cover as u, z, v, from the middle outwards; a cut along a corner's bisector is set square to the edges. */
function stationLine({ place, half }: StationSection): Line {
  const square = place.curvature === 0 ? Math.cos(place.turn / 2) : 1;
  let v = -half.top;
  return half.cover.map(([x, z], i) => {
    const before = half.cover[i - 1];
    if (before) v += Math.hypot(x - before[0], z - before[1]);
    return { u: (x - half.stack.edge.x) * square, z, v };
  });
}

function onLine(line: Line, v: number): [number, number] {
  let i = 1;
  while (i < line.length - 1 && line[i]!.v < v) i++;
  const [a, b] = [line[i - 1]!, line[i]!];
  const t = b.v > a.v ? Math.max(0, Math.min(1, (v - a.v) / (b.v - a.v))) : 0;
  return [a.u + (b.u - a.u) * t, a.z + (b.z - a.z) * t];
}

type Sampled = { u: Float64Array; z: Float64Array; inside: number; side: number };

/** The same number of places on every station's line: so far inside the shoulder, and down to the lower edge. */
function sampled(line: Line, inside: number): Sampled {
  const side = line.at(-1)!.v;
  const u = new Float64Array(INNER + OUTER + 1);
  const z = new Float64Array(INNER + OUTER + 1);
  for (let k = 0; k <= INNER + OUTER; k++) {
    const v = k <= INNER ? -inside * (1 - k / INNER) : (side * (k - INNER)) / OUTER;
    [u[k], z[k]] = onLine(line, v);
  }
  return { u, z, inside, side };
}

function blended(a: Sampled, b: Sampled, t: number): Profile {
  const u = a.u.map((value, k) => value + (b.u[k]! - value) * t);
  const z = a.z.map((value, k) => value + (b.z[k]! - value) * t);
  // The cover's own length, not the chords between these places.
  const side = a.side + (b.side - a.side) * t;
  return { u, z, v: u.map((_, k) => (k <= INNER ? -a.inside * (1 - k / INNER) : (side * (k - INNER)) / OUTER)) };
}

/** Length of the cover from its shoulder down to the board's lower edge, mm. */
export function sideOf({ v }: Profile): number {
  return v[v.length - 1]!;
}

/** Where a profile is at a length v from its shoulder; beyond the lower edge it runs back under the board. */
export function onProfile({ u, z, v }: Profile, at: number): [u: number, z: number] {
  const last = v.length - 1;
  if (at >= v[last]!) return [u[last]! - (at - v[last]!), z[last]!];
  if (at <= v[0]!) return [u[0]! + (at - v[0]!), z[0]!];
  let [low, high] = [0, last];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (v[middle]! <= at) low = middle;
    else high = middle;
  }
  const t = (at - v[low]!) / (v[high]! - v[low]! || 1);
  return [u[low]! + (u[high]! - u[low]!) * t, z[low]! + (z[high]! - z[low]!) * t];
}

/** How far out of the board's edge the cover stands at most, mm. */
export function faceOf({ u }: Profile): number {
  return u.reduce((most, value) => Math.max(most, value), -Infinity);
}

/** The length v at which a profile's inner part lies so far inside the board's edge (inset > 0). */
export function atInset({ u, v }: Profile, inset: number): number {
  const end = INNER;
  if (-inset >= u[end]!) return v[end]!;
  for (let k = end; k > 0; k--) {
    if (u[k - 1]! <= -inset) {
      const t = (-inset - u[k - 1]!) / (u[k]! - u[k - 1]! || 1);
      return v[k - 1]! + (v[k]! - v[k - 1]!) * t;
    }
  }
  return v[0]! - (u[0]! + inset);
}

/** The direction out of the edge, turning evenly over a window so that seams deep inside a corner do not cross. */
function directions(stack: Stack, window: number): (at: number) => { point: Point; out: Point; angle: number; edge: number } {
  const { board } = stack;
  const n = board.length;
  const total = stack.perimeter;
  const start = distanceAlong(board, stack.places[0]!.point);
  const from = new Float64Array(n + 1);
  const angle = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const [a, b] = [board[i]!, board[(i + 1) % n]!];
    const atan2 = Math.atan2(-(b[0] - a[0]), b[1] - a[1]);
    const before = i > 0 ? angle[i - 1]! : atan2;
    angle[i] = before + Math.atan2(Math.sin(atan2 - before), Math.cos(atan2 - before));
    from[i + 1] = from[i]! + Math.hypot(b[0] - a[0], b[1] - a[1]);
  }
  const integral = new Float64Array(n + 1);
  for (let i = 0; i < n; i++) integral[i + 1] = integral[i]! + angle[i]! * (from[i + 1]! - from[i]!);
  const sideAt = (s: number): number => {
    let [low, high] = [0, n];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (from[middle]! <= s + TIE) low = middle;
      else high = middle;
    }
    return low;
  };
  // The angle grows by a whole turn each time round, and its integral with it.
  const upTo = (s: number): number => {
    const k = Math.floor(s / total);
    const value = s - k * total;
    const i = sideAt(value);
    const interpolated = integral[i]! + angle[i]! * (value - from[i]!);
    return k * integral[n]! + Math.PI * total * k * (k - 1) + interpolated + 2 * Math.PI * k * value;
  };
  const sharp = Array.from(angle, (value, i) => {
    const turn = value - angle[(i + n - 1) % n]!;
    return Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn))) > SHARP ? from[i]! : NaN;
  }).filter((s) => !Number.isNaN(s));
  /** The edge's own bearing: between chords of a curve it goes over evenly, so that left and right come out alike. */
  const bearing = (s: number, side: number): number =>
    sharp.some((corner) => Math.min(Math.abs(corner - s), total - Math.abs(corner - s)) < LOCAL)
      ? angle[side]!
      : (upTo(s + LOCAL) - upTo(s - LOCAL)) / (2 * LOCAL);
  return (at) => {
    const s = (((at + start) % total) + total) % total;
    const i = sideAt(s);
    const [a, b] = [board[i]!, board[(i + 1) % n]!];
    const t = (s - from[i]!) / (from[i + 1]! - from[i]! || 1);
    const smooth = (upTo(s + window) - upTo(s - window)) / (2 * window);
    const value = bearing(s, i);
    const scale = 1 / Math.max(0.3, Math.cos(smooth - value));
    return {
      point: [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t],
      out: [Math.cos(smooth) * scale, Math.sin(smooth) * scale],
      angle: smooth,
      edge: value,
    };
  };
}

/**
 * Round a corner of smaller radius than the deepest seam lies inside, all places gather towards one: between the places
 * before and after the bend the way in goes over evenly.
 */
function gathered(
  places: readonly RingPlace[],
  bends: readonly number[],
  sharp: readonly boolean[],
  total: number,
  depth: number,
): RingPlace[] {
  const n = places.length;
  const step = (i: number): number => (((places[(i + 1) % n]!.at - places[i]!.at) % total) + total) % total || total;
  const tight = places.map((_, i) => {
    // A sharp corner is one place already, on its bisector.
    if (sharp[i] || sharp[(i + 1) % n]) return false;
    const turn = bends[(i + 1) % n]! - bends[i]!;
    return Math.atan2(Math.sin(turn), Math.cos(turn)) / step(i) > 1 / depth && step(i) < depth;
  });
  if (tight.every(Boolean) || !tight.some(Boolean)) return [...places];
  const out = places.map((place) => place.out);
  const inner = (i: number): Point => [places[i]!.point[0] - depth * places[i]!.out[0], places[i]!.point[1] - depth * places[i]!.out[1]];
  for (let first = 0; first < n; first++) {
    if (!tight[first] || tight[(first + n - 1) % n]) continue;
    let count = 1;
    while (tight[(first + count) % n]) count += 1;
    const [a, b] = [(first + n - 1) % n, (first + count + 1) % n];
    const [from, to] = [inner(a), inner(b)];
    let gone = 0;
    const whole = Array.from({ length: count + 2 }, (_, k) => step((a + k) % n)).reduce((sum, length) => sum + length, 0);
    for (let k = 0; k <= count; k++) {
      gone += step((a + k) % n);
      const i = (first + k) % n;
      const t = gone / whole;
      const aim: Point = [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t];
      out[i] = [(places[i]!.point[0] - aim[0]) / depth, (places[i]!.point[1] - aim[1]) / depth];
    }
  }
  return places.map((place, i) => ({ ...place, out: out[i]! }));
}

/** The shortest way along the edge from one bend to the next, mm. */
function cornerGap({ places }: Stack, total: number): number {
  const bends = places.filter((place) => Math.abs(place.turn) > CORNER_BEND);
  if (bends.length < 2) return total;
  return Math.min(...bends.map((bend, i) => (((bends[(i + 1) % bends.length]!.at - bend.at) % total) + total) % total));
}

/**
 * Joins the stations' sections to a surface round the edge: between two stations one cover line goes over into the
 * other, place by place from the shoulder.
 *
 * @param stack the built stack
 * @param sections its stations' sections, in order
 * @param covered its surface
 * @param [options.spacing] wanted distance between places, mm; from the size of the piece otherwise
 * @param [options.depth=24] how far inside the board's edge the deepest seam lies, mm
 */
export function ringOf(
  stack: Stack,
  sections: readonly StationSection[],
  covered: CoveredSurface,
  options: { spacing?: number; depth?: number } = {},
): Ring {
  const total = stack.perimeter;
  const { spacing = 12, depth = 24 } = options;
  const lines = sections.map(stationLine);
  const inside = Math.max(1, Math.min(depth + 60, ...sections.map(({ half }) => half.top * 0.98)));
  const rims = lines.map((line) => sampled(line, inside));
  const deepest = Math.max(depth, ...rims.map(({ u }) => -u[INNER]!));
  const outAt = directions(stack, Math.min(Math.max(2, SPREAD * deepest), total / 8, cornerGap(stack, total) / 2));
  const places: RingPlace[] = [];
  const bends: number[] = [];
  const sharp: boolean[] = [];
  stack.places.forEach((place, i) => {
    const next = stack.places[(i + 1) % stack.places.length]!;
    const length = (i + 1 < stack.places.length ? next.at : total) - place.at;
    const bend = Math.abs(outAt(place.at + length - 1e-3).angle - outAt(place.at + 1e-3).angle);
    // Near a corner the places stand closer, so that a seam inside it keeps its corner.
    const step = place.turn !== 0 || next.turn !== 0 ? spacing / 3 : spacing;
    const steps = Math.max(1, wholeUp(length / step), wholeUp(Math.min(bend, 2 * Math.PI - bend) / BEND));
    for (let k = 0; k < steps; k++) {
      const at = place.at + (length * k) / steps;
      const { point, out, edge } = outAt(at);
      bends.push(edge);
      sharp.push(k === 0 && place.turn !== 0 && place.curvature === 0);
      places.push({
        at,
        point,
        out,
        part: (k > 0 && place.turn !== 0 ? next : place).part,
        edge: (k > 0 && place.turn !== 0 ? next : place).edge,
        turn: k === 0 ? place.turn : 0,
        station: k === 0 ? place.id : null,
        profile: blended(rims[i]!, rims[(i + 1) % rims.length]!, k / steps),
      });
    }
  });
  return { total, places: gathered(places, bends, sharp, total, deepest), grid: covered.grid };
}

/** The place in space of a length v from the shoulder, at one place round the edge. */
export function onRing({ point, out, profile }: RingPlace, v: number): [x: number, y: number, z: number] {
  const [u, z] = onProfile(profile, v);
  return [point[0] + u * out[0], point[1] + u * out[1], z];
}
