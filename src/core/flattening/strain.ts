import { compared } from '../ties';
import type { SurfaceMesh } from './types';

/**
 * How far the cloth must give in each triangle to go from flat to the surface, as a share of its flat length:
 * + stretched, − left over. Warp lies along y of the flat piece, weft along x, bias at 45°.
 */
export type Strain = { warp: Float64Array; weft: Float64Array; bias: Float64Array; area: Float64Array };

/** What a cloth gives, as a share. */
export type Give = { warp: number; weft: number; bias: number };

/**
 * What a piece asks of its cloth, leaving out corners and the twentieth of its area that asks most: there the foam gives
 * way instead. `share` is how much of the give it takes (1 is all of it); `worst` the triangle that asks most of
 * all, and `peak` what that takes.
 */
export type StrainSummary = { warp: number; weft: number; bias: number; leftOver: number; share: number; worst: number; peak: number };

/** This much of the counted area counts. */
const COUNTED = 0.95;

/** Cloth that is left over by less than this is eased in without a pucker. */
export const EASED = 0.015;

/**
 * Strain of every triangle between its flat and its sewn shape. Source: docs/models.md, "Flattening": F = ∂X/∂u,
 * stretch along a thread t is √(tᵀFᵀFt).
 *
 * @param mesh the surface
 * @param flat x, y of each node
 */
export function strainOf({ points, triangles }: SurfaceMesh, flat: Float64Array): Strain {
  const count = triangles.length / 3;
  const strain: Strain = {
    warp: new Float64Array(count),
    weft: new Float64Array(count),
    bias: new Float64Array(count),
    area: new Float64Array(count),
  };
  for (let t = 0; t < count; t++) {
    const [a, b, c] = [triangles[3 * t]!, triangles[3 * t + 1]!, triangles[3 * t + 2]!];
    const [ux, uy] = [flat[2 * b]! - flat[2 * a]!, flat[2 * b + 1]! - flat[2 * a + 1]!];
    const [vx, vy] = [flat[2 * c]! - flat[2 * a]!, flat[2 * c + 1]! - flat[2 * a + 1]!];
    const det = ux * vy - uy * vx;
    strain.area[t] = Math.abs(det) / 2;
    if (Math.abs(det) < 1e-12) continue;
    // Columns of F: how the surface runs on while one goes along x, along y.
    const fx = [0, 0, 0];
    const fy = [0, 0, 0];
    for (let k = 0; k < 3; k++) {
      const p = points[3 * b + k]! - points[3 * a + k]!;
      const q = points[3 * c + k]! - points[3 * a + k]!;
      fx[k] = (p * vy - q * uy) / det;
      fy[k] = (q * ux - p * vx) / det;
    }
    const xx = fx[0]! ** 2 + fx[1]! ** 2 + fx[2]! ** 2;
    const yy = fy[0]! ** 2 + fy[1]! ** 2 + fy[2]! ** 2;
    const xy = Math.abs(fx[0]! * fy[0]! + fx[1]! * fy[1]! + fx[2]! * fy[2]!);
    strain.weft[t] = Math.sqrt(xx) - 1;
    strain.warp[t] = Math.sqrt(yy) - 1;
    strain.bias[t] = Math.sqrt((xx + yy) / 2 + xy) - 1;
  }
  return strain;
}

/**
 * What a piece asks of its cloth. Cloth that is left over asks too: past what can be eased it puckers.
 *
 * @param strain from `strainOf`
 * @param give what the cloth gives
 * @param [counts] which triangles lie away from corners
 */
export function strainSummary(strain: Strain, give: Give, counts?: (triangle: number) => boolean): StrainSummary {
  const count = strain.warp.length;
  const share = Float64Array.from(strain.warp, (warp, t) => shareOf(warp, strain.weft[t]!, strain.bias[t]!, give));
  const order = Uint32Array.from(share, (_, t) => t).sort((a, b) => compared(share[a]!, share[b]!) || b - a);
  const whole = strain.area.reduce((sum, area, t) => sum + (!counts || counts(t) ? area : 0), 0);
  const found: StrainSummary = { warp: 0, weft: 0, bias: 0, leftOver: 0, share: 0, worst: order[count - 1] ?? -1, peak: 0 };
  let counted = 0;
  for (const t of order) {
    found.peak = share[t]!;
    if (counts && !counts(t)) continue;
    if (counted > whole * COUNTED) continue;
    counted += strain.area[t]!;
    const [warp, weft] = [strain.warp[t]!, strain.weft[t]!];
    found.warp = Math.max(found.warp, warp);
    found.weft = Math.max(found.weft, weft);
    found.bias = Math.max(found.bias, strain.bias[t]!);
    found.leftOver = Math.max(found.leftOver, -warp, -weft);
    found.share = share[t]!;
  }
  return found;
}

/** How much of a cloth's give one place takes: 1 is all that it gives. */
export function shareOf(warp: number, weft: number, bias: number, give: Give): number {
  return Math.max(warp / give.warp, weft / give.weft, bias / give.bias, -warp / (EASED + give.warp), -weft / (EASED + give.weft));
}
