import { keepNothing, type Keep } from '../keep';
import { strainAt, type FoamCurve } from './curve';
import { curveOf } from './fit';

/**
 * A foam as it answers being pressed: its curve, and the same read backwards, strain from pressure, tabulated over
 * u = p / (p + plateau).
 */
export type FoamAnswer = { curve: FoamCurve; strains: Float64Array };

/** Places of the table that reads a curve backwards. */
export const STRAIN_ENTRIES = 2048;

/** A curve with the table that reads it backwards. */
export function answerOf(curve: FoamCurve): FoamAnswer {
  const strains = Float64Array.from({ length: STRAIN_ENTRIES + 1 }, (_, i) => {
    const u = Math.min(i / STRAIN_ENTRIES, 1 - 1e-7);
    return strainAt(curve, (curve.plateau * u) / (1 - u));
  });
  return { curve, strains };
}

/**
 * The same foam harder or softer: strain at a share of the plateau is the same, so the table is too.
 *
 * @param answer of a foam
 * @param plateau N/mm²
 */
export function scaledAnswer({ curve, strains }: FoamAnswer, plateau: number): FoamAnswer {
  return { curve: { ...curve, plateau }, strains };
}

/** A foam's answer by what it is sold by. */
export function foamAnswer(
  { type, ifd25, supportFactor, onset }: { type: string; ifd25: number; supportFactor: number; onset?: number },
  keep: Keep = keepNothing,
): FoamAnswer {
  return keep('foam', { type, ifd25, supportFactor, onset }, answerOfSold);
}

function answerOfSold({ onset, ...sold }: { type: string; ifd25: number; supportFactor: number; onset: number | undefined }): FoamAnswer {
  return answerOf(curveOf({ ...sold, ...(onset === undefined ? {} : { onset }) }));
}
