import { bounds, lineCrossings, type Point, type Polygon } from '../../outline';
import type { Pad, PadProfile, ThicknessRow } from '../../piece';
import { readGrid } from '../surface/grid';
import { monotoneThrough } from './mould';

/** How thick a pad is at a place in the plan before its rim is worked, mm. */
export type PadForm = (at: Point) => number;

type Formed = Pick<Pad, 'thickness' | 'wedge' | 'wedgeWay' | 'profile'>;

type Of<K extends PadProfile['kind']> = Extract<PadProfile, { kind: K }>;

/** A raised cosine: whole in the middle, nothing and level from its rim on; `share` is how far out, 1 at the rim. */
const bell = (share: number): number => (share >= 1 ? 0 : (1 + Math.cos(Math.PI * share)) / 2);

/** Straight from point to point, level beyond the ends. */
function straight(xs: readonly number[], ys: readonly number[]): (x: number) => number {
  return (x) => {
    const k = xs.findIndex((value) => value >= x);
    if (k < 0) return ys.at(-1)!;
    if (k === 0) return ys[0]!;
    return ys[k - 1]! + ((ys[k]! - ys[k - 1]!) * (x - xs[k - 1]!)) / (xs[k]! - xs[k - 1]!);
  };
}

/** A line drawn on the pad's side, the same over its whole width. */
function bySide({ points, faired }: Of<'side'>, near: number): PadForm {
  const xs = points.map(({ at }) => at + near);
  const ys = points.map(({ height }) => height);
  const line = (faired ? monotoneThrough : straight)(xs, ys);
  return ([, y]) => line(y);
}

/** Thickness read in the middle and at the sides: a parabola across, a smooth line along. */
function byReadings(rows: readonly ThicknessRow[], outline: Polygon): PadForm {
  const { minY, maxY, width } = bounds(outline);
  const at = rows.map((row) => row.at + minY);
  const along = (values: readonly number[]): ((y: number) => number) => monotoneThrough(at, values);
  const middle = along(rows.map((row) => row.middle));
  const side = along(rows.map((row) => row.side));
  // How wide the pad is where it was read: the very ends are looked at just inside.
  const half = along(
    at.map((y) => {
      const inside = Math.min(maxY - 1, Math.max(minY + 1, y));
      const found = lineCrossings(outline, [0, inside], [1, 0]).map(Math.abs);
      return Math.max(1, ...(found.length > 0 ? found : [width / 2]));
    }),
  );
  return ([x, y]) => {
    const u = Math.min(1, Math.abs(x) / half(y));
    return middle(y) - (middle(y) - side(y)) * u * u;
  };
}

/** A scan of its top: its highest place is as thick as the pad was measured. */
function byScan({ map }: Of<'scanned'>, thickness: number): PadForm {
  const grid = { ...map, heights: Float64Array.from(map.heights) };
  const top = map.heights.reduce((most, z) => Math.max(most, z), -Infinity);
  return (at) => Math.max(0, thickness + readGrid(grid, at) - top);
}

/**
 * How thick a pad is from place to place before its rim is worked; null where it is level.
 *
 * @param pad of the document
 * @param outline of the pad, mm
 */
export function padForm({ thickness, wedge, wedgeWay, profile }: Formed, outline: Polygon): PadForm | null {
  const { minX, maxX, minY, maxY } = bounds(outline);
  const [axis, low, long] = wedgeWay === 'right' ? ([0, minX, maxX - minX] as const) : ([1, minY, maxY - minY] as const);
  const slope = typeof wedge === 'number' ? (wedge - thickness) / (long || 1) : 0;
  const level: PadForm = (at) => thickness + slope * Math.min(long, Math.max(0, at[axis] - low));
  switch (profile?.kind) {
    case 'hollow': {
      const { x, y, width, length, by } = profile;
      return (at) => Math.max(0, level(at) - by * bell(Math.hypot((2 * (at[0] - x)) / width, (2 * (at[1] - y)) / length)));
    }
    case 'dip': {
      const { y, length, by } = profile;
      return (at) => Math.max(0, level(at) - by * bell(Math.abs((2 * (at[1] - y)) / length)));
    }
    case 'rise': {
      const { y, length, by } = profile;
      return (at) => level(at) + by * bell(Math.abs((2 * (at[1] - y)) / length));
    }
    case 'side':
      return bySide(profile, minY);
    case 'read':
      return byReadings(profile.rows, outline);
    case 'scanned':
      return byScan(profile, thickness);
    default:
      return slope === 0 ? null : level;
  }
}

/** Distance between two points of a curved stencil, mm. */
const FINE = 4;

/**
 * The side of a pad that is the same over its whole width, as it is drawn on the foam: from its near edge, from its
 * underside – of a wedge from left to right from its left edge; null where it is level, or not the same over its width.
 *
 * @param pad of the document
 * @param outline of the pad, mm
 */
export function sideOf(pad: Formed, outline: Polygon): Point[] | null {
  const form = padForm(pad, outline);
  const kind = pad.profile?.kind;
  if (!form || kind === 'hollow' || kind === 'read' || kind === 'scanned') return null;
  const { minX, width, minY, height: depth } = bounds(outline);
  if (pad.wedgeWay === 'right' && typeof pad.wedge === 'number' && pad.wedge !== pad.thickness && kind !== 'side')
    // Thicker one way and dipped the other it is nowhere the same over its width.
    return kind ? null : [0, width].map((at): Point => [at, form([minX + at, 0])]);
  const curved = kind === 'dip' || kind === 'rise' || (pad.profile?.kind === 'side' && pad.profile.faired);
  const corners = pad.profile?.kind === 'side' ? pad.profile.points.map(({ at }) => at) : [];
  const fine = curved ? Array.from({ length: Math.ceil(depth / FINE) }, (_, i) => (i * depth) / Math.ceil(depth / FINE)) : [];
  const places = [...new Set([0, ...corners.filter((at) => at > 0 && at < depth), ...fine, depth])].sort((a, b) => a - b);
  return places.map((at): Point => [at, form([0, minY + at])]);
}
