import type { FoamCurve } from '../foam';

/**
 * Energy of one principal stretch λ of a solid with no lateral bulge: the foam's own curve where pressed (λ < 1), and
 * μ/2·(λ² − 1 − 2·ln λ) where pulled. With `curve` left out it is that neo-Hookean form both ways, σ ≈ E·ε.
 */
export type Law = { modulus: number; curve: FoamCurve | null };

/** A solid of one modulus, N/mm²: W = μ/2·(I₁ − 2 − 2·ln J) with μ = E/2. */
export function constantLaw(modulus: number): Law {
  return { modulus, curve: null };
}

/** A foam pressed along its curve, pulled with its first modulus. */
export function foamLaw(curve: FoamCurve): Law {
  return { modulus: curve.plateau / curve.onset, curve };
}

/** What lies between two pads that do not touch: next to nothing until it is pressed shut. */
export const AIR: Law = { modulus: 0.0004, curve: null };

/**
 * Pressed flatter than this, a triangle goes on as a spring of the stiffness it has there: foam that is crushed to
 * nothing then pushes back as hard as it should, and no step is stopped by a corner that turns over on the way.
 */
const CRUSHED = 0.06;

/** Energy, first and second derivative by the stretch, written into `out` from `at`. */
export function stretchTerms(law: Law, stretch: number, out: Float64Array, at: number): void {
  if (stretch >= CRUSHED) {
    terms(law, stretch, out, at);
    return;
  }
  terms(law, CRUSHED, out, at);
  const short = stretch - CRUSHED;
  out[at] = out[at]! + out[at + 1]! * short + 0.5 * out[at + 2]! * short * short;
  out[at + 1] = out[at + 1]! + out[at + 2]! * short;
}

function terms(law: Law, stretch: number, out: Float64Array, at: number): void {
  const { curve, modulus } = law;
  if (curve === null || stretch >= 1) {
    const half = modulus / 2;
    out[at] = (half / 2) * (stretch * stretch - 1 - 2 * Math.log(stretch));
    out[at + 1] = half * (stretch - 1 / stretch);
    out[at + 2] = half * (1 + 1 / (stretch * stretch));
    return;
  }
  const { plateau, onset, densify } = curve;
  const strain = 1 - stretch;
  const decay = Math.exp(-strain / onset);
  out[at] = plateau * (strain + onset * (decay - 1) + densify * (-Math.log(stretch) - strain - 0.5 * strain * strain));
  out[at + 1] = -plateau * (1 - decay + (densify * strain * strain) / stretch);
  out[at + 2] = plateau * (decay / onset + (densify * strain * (2 - strain)) / (stretch * stretch));
}
