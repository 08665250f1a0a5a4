/**
 * How a foam answers being pressed through its thickness: a stiff start, a plateau, and a wall where its cells close.
 * σ(ε) = plateau·(1 − e^(−ε/onset)) + plateau·densify·ε²/(1 − ε). Stress in N/mm²; the rest are numbers.
 */
export type FoamCurve = { plateau: number; onset: number; densify: number };

/** Closer to fully pressed flat than this no figure means anything. */
const FLAT = 1 - 1e-9;

/**
 * Pressure that holds a strain, N/mm².
 *
 * @param curve the foam's
 * @param strain share of the thickness pressed away, 0 … 1; negative (stretched) is pulled with the starting modulus
 */
export function stressAt(curve: FoamCurve, strain: number): number {
  if (strain <= 0) return (curve.plateau / curve.onset) * strain;
  const e = Math.min(strain, FLAT);
  return curve.plateau * (1 - Math.exp(-e / curve.onset) + (curve.densify * e * e) / (1 - e));
}

/** Slope dσ/dε of that curve, N/mm². */
export function modulusAt(curve: FoamCurve, strain: number): number {
  if (strain <= 0) return curve.plateau / curve.onset;
  const e = Math.min(strain, FLAT);
  return curve.plateau * (Math.exp(-e / curve.onset) / curve.onset + (curve.densify * e * (2 - e)) / (1 - e) ** 2);
}

/** Energy W(ε) = ∫σ dε for each mm³ of foam, N/mm². */
export function energyAt(curve: FoamCurve, strain: number): number {
  if (strain <= 0) return (curve.plateau / curve.onset) * 0.5 * strain * strain;
  const e = Math.min(strain, FLAT);
  return curve.plateau * (e + curve.onset * (Math.exp(-e / curve.onset) - 1) + curve.densify * (-Math.log(1 - e) - e - 0.5 * e * e));
}

/** Modulus of the first touch, N/mm². */
export function firstModulus(curve: FoamCurve): number {
  return curve.plateau / curve.onset;
}

/**
 * Strain that a pressure gives: the curve read the other way, by Newton's method kept inside a bracket.
 *
 * @param curve the foam's
 * @param pressure N/mm²; nothing or less gives no strain
 */
export function strainAt(curve: FoamCurve, pressure: number): number {
  if (!(pressure > 0)) return 0;
  let low = 0;
  let high = FLAT;
  let e = pressure < curve.plateau * 0.9 ? -curve.onset * Math.log(1 - pressure / curve.plateau) * 0.9 : 0.5;
  e = Math.min(0.9, e);
  for (let i = 0; i < 60; i++) {
    const miss = stressAt(curve, e) - pressure;
    if (Math.abs(miss) <= 1e-13 + 1e-11 * pressure) break;
    if (miss > 0) high = e;
    else low = e;
    const next = e - miss / modulusAt(curve, e);
    e = next > low && next < high ? next : (low + high) / 2;
    if (high - low < 1e-14) break;
  }
  return e;
}
