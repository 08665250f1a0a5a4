import type { FoamCurve } from '../../foam';

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

/** Cells between flattest and free, and how far beyond that a table goes, as a stretch. */
const CELLS = 256;
const WIDEST = 1.5;
/** Energy at the cell's beginning, and four coefficients of the stress over it. */
const PER_CELL = 5;

/**
 * The terms of a foam's law from a table: its stress as a cubic in each cell that meets value and slope at both ends,
 * its energy the integral of that, its stiffness the slope of that, so that the three are of one piece.
 */
export type LawTable = { law: Law; cells: Float64Array; step: number; count: number };

/**
 * A table of a law; a law without a curve needs none.
 *
 * @param law of a foam
 */
export function tableOf(law: Law): LawTable {
  const step = (1 - CRUSHED) / CELLS;
  const count = law.curve ? Math.ceil((WIDEST - CRUSHED) / step) : 0;
  const cells = new Float64Array(count * PER_CELL);
  const [from, to] = [new Float64Array(3), new Float64Array(3)];
  let energy = 0;
  for (let i = 0; i < count; i++) {
    terms(law, CRUSHED + i * step, from, 0);
    terms(law, CRUSHED + (i + 1) * step, to, 0);
    if (i === 0) energy = from[0]!;
    const [p0, p1, e0, e1] = [from[1]!, to[1]!, from[2]! * step, to[2]! * step];
    const c2 = 3 * (p1 - p0) - 2 * e0 - e1;
    const c3 = 2 * (p0 - p1) + e0 + e1;
    cells.set([energy, p0, e0, c2, c3], i * PER_CELL);
    energy += step * (p0 + e0 / 2 + c2 / 3 + c3 / 4);
  }
  return { law, cells, step, count };
}

/** The same as `stretchTerms`, read from a table where it reaches. */
export function tableTerms({ law, cells, step, count }: LawTable, stretch: number, out: Float64Array, at: number): void {
  const u = (stretch - CRUSHED) / step;
  if (u < 0 || u >= count) {
    stretchTerms(law, stretch, out, at);
    return;
  }
  const i = u | 0;
  const t = u - i;
  const c = i * PER_CELL;
  const c1 = cells[c + 2]!;
  const c2 = cells[c + 3]!;
  const c3 = cells[c + 4]!;
  const c0 = cells[c + 1]!;
  out[at] = cells[c]! + step * t * (c0 + t * (c1 / 2 + t * (c2 / 3 + (t * c3) / 4)));
  out[at + 1] = c0 + t * (c1 + t * (c2 + t * c3));
  out[at + 2] = (c1 + t * (2 * c2 + 3 * t * c3)) / step;
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
