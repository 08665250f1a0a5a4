import { bounds, isInside, offsetPolygon, reachFrom, seesAllFrom, type Point, type Polygon } from '../outline';

/** The shape a crown should have once covered. Shares are of its height, 0 … 1. */
export type Profile =
  | { kind: 'flat-topped' }
  | { kind: 'round' }
  | { kind: 'parabolic' }
  /** highest beside the middle: share of the half width and half depth, −0.8 … 0.8 */
  | { kind: 'off-centre'; x: number; y: number }
  /** falls to the sides, rises to front and back */
  | { kind: 'saddle' }
  /** share of the height at even steps from the highest place to the rim */
  | { kind: 'drawn'; shares: number[] };

/** A crown as it should be after covering: its height over the main pad's rim, mm, and its shape. */
export type CrownWish = { height: number; profile: Profile };

/** A flat top reaches this share of the way out. */
const FLAT = 0.55;

/** How far front and back of a saddle stand over its middle, as a share of the whole. */
const SADDLE = 0.35;

/** A wished crown over a plan: share of the height at a place, where it is highest, and the line where it ends. */
export type Wished = { share: (at: Point) => number; peak: Point; rim: Polygon };

/**
 * Lays a profile over a board.
 *
 * @param board outline
 * @param middle of the piece
 * @param inset how far in from the board's edge the crown ends, mm
 * @param profile its shape
 * @returns null where the inset leaves nothing
 */
export function wishedOver(board: Polygon, middle: Point, inset: number, profile: Profile): Wished | null {
  const rim = inset > 0 ? offsetPolygon(board, -inset) : board;
  if (!rim) return null;
  const box = bounds(rim);
  let peak: Point = middle;
  if (profile.kind === 'off-centre') {
    const wanted: Point = [middle[0] + (profile.x * box.width) / 2, middle[1] + (profile.y * box.height) / 2];
    if (isInside(rim, wanted) && seesAllFrom(rim, wanted)) peak = wanted;
  }
  if (profile.kind === 'saddle') {
    const [cx, cy] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
    const share = ([x, y]: Point): number => {
      const [u, v] = [(2 * (x - cx)) / box.width, (2 * (y - cy)) / box.height];
      if (Math.abs(u) >= 1 || Math.abs(v) >= 1 || !isInside(rim, [x, y])) return 0;
      // The rise to front and back comes down again over the last sixth, so that the edge is not cut off.
      const end = Math.min(1, (1 - Math.abs(v)) / 0.16);
      return (1 - u * u) * (1 - SADDLE + SADDLE * Math.min(1, (v / 0.84) ** 2)) * (end * (2 - end));
    };
    return { share, peak: [cx, cy + 0.84 * (box.height / 2)], rim };
  }
  const about = rim.map(([x, y]): Point => [x - peak[0], y - peak[1]]);
  const sees = seesAllFrom(about, [0, 0]);
  const reach = sees ? reachFrom(about) : () => Math.min(box.width, box.height) / 2;
  return {
    peak,
    rim,
    share: ([x, y]) => {
      const [dx, dy] = [x - peak[0], y - peak[1]];
      const rho = Math.hypot(dx, dy) / reach(Math.atan2(dy, dx));
      return rho >= 1 ? 0 : along(profile, rho);
    },
  };
}

/** Share of the height at a share ρ of the way from the highest place to the rim. */
export function along(profile: Profile, rho: number): number {
  switch (profile.kind) {
    case 'flat-topped':
      return rho <= FLAT ? 1 : (1 + Math.cos((Math.PI * (rho - FLAT)) / (1 - FLAT))) / 2;
    case 'round':
      // A low circular arc; a quarter as high as it is wide at most, it differs from a parabola by little.
      return (Math.sqrt(1 - (rho * 0.8) ** 2) - 0.6) / 0.4;
    case 'drawn': {
      const { shares } = profile;
      if (shares.length < 2) return 1 - rho * rho;
      const at = rho * (shares.length - 1);
      const i = Math.min(shares.length - 2, Math.floor(at));
      return shares[i]! + (shares[i + 1]! - shares[i]!) * (at - i);
    }
    default:
      return 1 - rho * rho;
  }
}
