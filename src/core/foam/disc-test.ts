import { firstModulus, modulusAt, stressAt, type FoamCurve } from './curve';

/** The standard specimen: 380 × 380 × 100 mm under a disc of 203 mm. */
export const SPECIMEN = { side: 380, thickness: 100, disc: 203 } as const;

/**
 * Shear stiffness of pressed foam, as a share of its plateau stress. Set once so that the standard disc, which drags
 * foam down around it, reads about 1.35 times what pressing the same area all over does – the usual relation between
 * the two standard tests of a seating foam.
 */
export const SHEAR_SHARE = 0.16;

/** Force per mm that neighbouring columns of foam pass on for each unit of slope between them, N/mm: G·t/3. */
export function shearStiffness(curve: FoamCurve, thickness: number): number {
  return (SHEAR_SHARE * curve.plateau * thickness) / 3;
}

/** Rings between the disc's edge and the specimen's. */
const RINGS = 60;

/**
 * Force on a rigid disc pressed into a round slab that lies on a board: what is straight under the disc, and what the
 * disc drags down around it, −(1/r)·(r·S·w′)′ + σ(w/t) = 0 outside. Source: docs/models.md, "Foam".
 *
 * @param curve the foam's
 * @param slab thickness and radius, mm
 * @param disc radius, mm
 * @param depth pressed in, mm; less than the thickness
 * @returns N
 */
export function pressDisc(curve: FoamCurve, slab: { thickness: number; radius: number }, disc: number, depth: number): number {
  const { thickness, radius } = slab;
  const strain = depth / thickness;
  const under = Math.PI * disc * disc * stressAt(curve, strain);
  const S = shearStiffness(curve, thickness);
  if (radius <= disc || S <= 0) return under;
  // Rings grow outwards: near the disc the surface bends within a few mm.
  const shortest = Math.sqrt((S * thickness) / firstModulus(curve));
  const reach = Math.min(radius - disc, Math.max(60 * shortest, 2 * thickness));
  const r = Float64Array.from({ length: RINGS + 1 }, (_, i) => disc + reach * (i / RINGS) ** 2);
  const w = r.map((at) => depth * Math.exp(-(at - disc) / (4 * shortest)));
  const lower = new Float64Array(RINGS + 1);
  const diagonal = new Float64Array(RINGS + 1);
  const miss = new Float64Array(RINGS + 1);
  const link = (i: number): number => (S * (r[i]! + r[i + 1]!)) / 2 / (r[i + 1]! - r[i]!);
  const area = (i: number): number => ((i < RINGS ? ((r[i]! + r[i + 1]!) / 2) ** 2 : r[i]! ** 2) - ((r[i - 1]! + r[i]!) / 2) ** 2) / 2;
  for (let round = 0; round < 80; round++) {
    let most = 0;
    for (let i = 1; i <= RINGS; i++) {
      const a = area(i);
      const left = link(i - 1);
      const right = i < RINGS ? link(i) : 0;
      miss[i] = left * (w[i - 1]! - w[i]!) + (i < RINGS ? right * (w[i + 1]! - w[i]!) : 0) - a * stressAt(curve, w[i]! / thickness);
      diagonal[i] = left + right + (a * modulusAt(curve, w[i]! / thickness)) / thickness;
      lower[i] = left;
    }
    // Thomas' algorithm; the first ring moves with the disc.
    for (let i = 2; i <= RINGS; i++) {
      const share = lower[i]! / diagonal[i - 1]!;
      diagonal[i]! -= share * lower[i]!;
      miss[i]! += share * miss[i - 1]!;
    }
    for (let i = RINGS; i >= 1; i--) {
      const step = (miss[i]! + (i < RINGS ? lower[i + 1]! * miss[i + 1]! : 0)) / diagonal[i]!;
      miss[i] = step;
      w[i] = w[i]! + step;
      most = Math.max(most, Math.abs(step));
    }
    if (most < 1e-9 * thickness) break;
  }
  const area0 = (((r[0]! + r[1]!) / 2) ** 2 - disc * disc) / 2;
  const dragged = link(0) * (w[0]! - w[1]!) + area0 * stressAt(curve, strain);
  return under + 2 * Math.PI * dragged;
}

/** The specimen's half width as the radius of a disc of the same area, mm. */
const SPECIMEN_RADIUS = SPECIMEN.side / Math.sqrt(Math.PI);

/**
 * The standard indentation test, simulated.
 *
 * @param curve the foam's
 * @param share depth as a share of the thickness, for example 0.25
 * @returns N
 */
export function specimenForce(curve: FoamCurve, share: number): number {
  return pressDisc(curve, { thickness: SPECIMEN.thickness, radius: SPECIMEN_RADIUS }, SPECIMEN.disc / 2, share * SPECIMEN.thickness);
}
