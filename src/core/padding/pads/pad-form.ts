import { bounds, type Point, type Polygon } from '../../outline';
import { formOf, type Thickness } from '../../pad-forms';
import { formedPad, type Pad } from '../../piece';

type Formed = Pick<Pad, 'thickness' | 'wedge' | 'wedgeWay' | 'profile'>;

/**
 * How thick a pad is from place to place before its rim is worked; null where it is level.
 *
 * @param pad of the document
 * @param outline of the pad, mm
 */
export function padThickness(pad: Formed, outline: Polygon): Thickness | null {
  const { thickness, wedge, wedgeWay, profile } = pad;
  const { minX, maxX, minY, maxY } = bounds(outline);
  const [axis, low, long] = wedgeWay === 'right' ? ([0, minX, maxX - minX] as const) : ([1, minY, maxY - minY] as const);
  const slope = typeof wedge === 'number' ? (wedge - thickness) / (long || 1) : 0;
  const level: Thickness = (at) => thickness + slope * Math.min(long, Math.max(0, at[axis] - low));
  if (profile) return formOf(profile).thickness(profile, formedPad(pad), outline, level);
  return slope === 0 ? null : level;
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
  const thickness = padThickness(pad, outline);
  const side = pad.profile ? formOf(pad.profile).side(pad.profile) : { corners: [], curved: false, alone: false };
  if (!thickness || !side) return null;
  const { minX, width, minY, height: depth } = bounds(outline);
  if (pad.wedgeWay === 'right' && typeof pad.wedge === 'number' && pad.wedge !== pad.thickness && !side.alone)
    // Thicker one way and dipped the other it is nowhere the same over its width.
    return pad.profile ? null : [0, width].map((at): Point => [at, thickness([minX + at, 0])]);
  const steps = Math.ceil(depth / FINE);
  const fine = side.curved ? Array.from({ length: steps }, (_, i) => (i * depth) / steps) : [];
  const places = [...new Set([0, ...side.corners.filter((at) => at > 0 && at < depth), ...fine, depth])].sort((a, b) => a - b);
  return places.map((at): Point => [at, thickness([0, minY + at])]);
}
