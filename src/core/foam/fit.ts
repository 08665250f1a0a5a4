import type { FoamCurve } from './curve';
import { FOAM_TYPES } from './materials';
import { pressDisc, SPECIMEN, specimenForce } from './disc-test';

/** Densest wall that a fit may ask for: beyond it the foam would be a board. */
const HARDEST_WALL = 400;

/** First stiff strain of a foam of which no more is known than two presses by hand. */
const HAND_ONSET = 0.07;

/** One press by hand: how deep, mm, and what the scale showed, kg. */
export type HandReading = { depth: number; load: number };

/** Acceleration of free fall, m/s². */
export const GRAVITY = 9.80665;

/** Finds the wall that gives a ratio of two forces; both grow with the plateau alike, so the ratio knows only the wall. */
function wallFor(ratio: number, force: (curve: FoamCurve, which: 0 | 1) => number, onset: number): number | null {
  const at = (densify: number): number => {
    const curve = { plateau: 0.003, onset, densify };
    return force(curve, 1) / force(curve, 0);
  };
  if (at(0) > ratio || at(HARDEST_WALL) < ratio) return null;
  let [low, high] = [0, 1];
  while (at(high) < ratio) [low, high] = [high, high * 2];
  for (let i = 0; i < 60 && high - low > 1e-10 * high; i++) {
    const middle = (low + high) / 2;
    if (at(middle) < ratio) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * The curve whose simulated specimen test gives a foam's hardness figures.
 *
 * @param foam `ifd25` in N, `supportFactor` = IFD65 ÷ IFD25, `type` for the first stiff strain
 * @throws RangeError when no foam behaves so (support factor too low or too high)
 */
export function curveOf(foam: { type: string; ifd25: number; supportFactor: number; onset?: number }): FoamCurve {
  const onset = foam.onset ?? FOAM_TYPES.find(({ id }) => id === foam.type)?.onset ?? HAND_ONSET;
  const densify = wallFor(foam.supportFactor, (curve, which) => specimenForce(curve, which === 0 ? 0.25 : 0.65), onset);
  if (densify === null || !(foam.ifd25 > 0)) {
    throw new RangeError(`No foam has a hardness of ${foam.ifd25} N with a support factor of ${foam.supportFactor}`);
  }
  const unit = specimenForce({ plateau: 0.003, onset, densify }, 0.25);
  return { plateau: (0.003 * foam.ifd25) / unit, onset, densify };
}

/** What hand readings make of a foam, or why they cannot be a foam's. */
export type HandFit = { ok: true; curve: FoamCurve; ifd25: number; supportFactor: number; misfit: number } | { ok: false; message: string };

/**
 * Fits a curve to two or three presses of a disc into a pad lying on a board.
 *
 * @param thickness of the pad, mm
 * @param disc diameter, mm
 * @param readings two or three, deeper ones heavier
 * @param [reach=190] distance from the disc's middle to the pad's edge, mm
 */
export function fitByHand(thickness: number, disc: number, readings: readonly HandReading[], reach = 190): HandFit {
  const sorted = [...readings].sort((a, b) => a.depth - b.depth);
  if (sorted.length < 2) return { ok: false, message: 'Two readings at least: a light press and a deep one.' };
  if (!(thickness > 0) || !(disc > 0)) return { ok: false, message: 'The pad’s thickness and the disc’s width are needed.' };
  const [first, last] = [sorted[0]!, sorted.at(-1)!];
  if (!(first.depth > 0) || !(first.load > 0)) return { ok: false, message: 'Depth and load must be more than nothing.' };
  if (last.depth >= thickness * 0.9) return { ok: false, message: 'The deepest press must leave a tenth of the pad at least.' };
  if (last.depth - first.depth < 0.15 * thickness)
    return { ok: false, message: 'The two depths lie too close together: press to a quarter and to two thirds of the pad.' };
  const force = (curve: FoamCurve, depth: number): number =>
    pressDisc(curve, { thickness, radius: Math.max(reach, disc / 2) }, disc / 2, depth);
  const fitted = (onset: number): { curve: FoamCurve; misfit: number } | null => {
    const densify = wallFor(last.load / first.load, (curve, which) => force(curve, which === 0 ? first.depth : last.depth), onset);
    if (densify === null) return null;
    const plateau = (0.003 * first.load * GRAVITY) / force({ plateau: 0.003, onset, densify }, first.depth);
    const curve = { plateau, onset, densify };
    const misfit = Math.max(...sorted.map((r) => Math.abs(force(curve, r.depth) / (r.load * GRAVITY) - 1)));
    return { curve, misfit };
  };
  // A third reading decides how stiff the first touch is.
  const tries = sorted.length > 2 ? Array.from({ length: 24 }, (_, i) => 0.02 + 0.008 * i) : [HAND_ONSET];
  const best = tries
    .map(fitted)
    .filter((f) => f !== null)
    .sort((a, b) => a.misfit - b.misfit)[0];
  if (!best) {
    return {
      ok: false,
      message:
        last.load <= first.load
          ? 'The deeper press must be the heavier one.'
          : `No foam goes from ${first.load} kg at ${first.depth} mm to ${last.load} kg at ${last.depth} mm: read the scale again.`,
    };
  }
  const ifd25 = specimenForce(best.curve, 0.25);
  return { ok: true, curve: best.curve, misfit: best.misfit, ifd25, supportFactor: specimenForce(best.curve, 0.65) / ifd25 };
}

export { SPECIMEN };
