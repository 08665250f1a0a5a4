import type { Model } from '../padding';
import type { Piece, Pocket } from '../piece';
import { inPocket, stackAt } from '../padding';
import { trySitting } from './solve';

/** What a pocket does, and how it is carved. Lengths mm, pressures N/mm². */
export type PocketPlan = {
  pad: string;
  pocket: Pocket;
  /** foam left under it, over the base */
  floor: number;
  /** depths after each pass of the knife, the last one its own depth */
  passes: number[];
  /** highest pressure within its outline, without it and with it */
  before: number;
  after: number;
  /** whether the floor is thinner than what must be left */
  thin: boolean;
};

/**
 * Works out every pocket of a piece: floor, carve passes, and the pressure with and without it, both solved.
 *
 * @param model the built piece
 */
export function pocketPlan(model: Model): PocketPlan[] {
  const { piece, house, keep } = model;
  return piece.pads.flatMap((pad, i) => {
    const { pocket } = pad;
    if (!pocket) return [];
    // Of the stack where it lies: over a dome there is more under it than beside, in a hollow or on a wedge less.
    const { pads } = stackAt(model.stack, [pocket.x, pocket.y]);
    const floor = pads.slice(0, i + 1).reduce((sum, padAt) => sum + (padAt ? padAt.upper - padAt.lower : 0), 0) - pocket.deep;
    const without: Piece = { ...piece, pads: piece.pads.map((p, k) => (k === i ? { ...p, pocket: null } : p)) };
    const [before, after] = [without, piece].map((version) => {
      const sat = trySitting(version, house, { keep });
      if (!sat) return 0;
      const { bed, result } = sat;
      return result.pressure.reduce(
        (most, p, k) =>
          inPocket(pocket, [bed.x0 + (k % bed.columns) * bed.step, bed.y0 + Math.floor(k / bed.columns) * bed.step])
            ? Math.max(most, p)
            : most,
        0,
      );
    });
    return [
      {
        pad: pad.id,
        pocket,
        floor,
        passes: carvePasses(pocket.deep, model.rule('carvePass')),
        before: before!,
        after: after!,
        thin: floor < model.rule('leastLeft'),
      },
    ];
  });
}

/** Depths after each pass: even ones, none deeper than allowed. */
export function carvePasses(deep: number, pass: number): number[] {
  const n = Math.max(1, Math.ceil(deep / pass - 1e-9));
  return Array.from({ length: n }, (_, i) => (deep * (i + 1)) / n);
}

/** One pair of depth readings across a carved pocket, left and right at the same distance, mm. */
export type CarvePair = { left: number; right: number };

/**
 * Judges a carve by paired readings.
 *
 * @param pairs depths left and right
 * @param [allowed=1.5] difference that is let pass, mm
 */
export function carveCheck(pairs: readonly CarvePair[], allowed = 1.5): { mean: number; worst: number; alike: boolean; words: string } {
  const differences = pairs.map((pair) => pair.right - pair.left);
  const mean = differences.length > 0 ? differences.reduce((sum, d) => sum + d, 0) / differences.length : 0;
  const worst = differences.reduce((most, d) => (Math.abs(d) > Math.abs(most) ? d : most), 0);
  const alike = Math.abs(worst) <= allowed;
  const side = worst > 0 ? 'left' : 'right';
  const by = Math.round(Math.abs(worst) * 10) / 10;
  return { mean, worst, alike, words: alike ? 'Left and right are alike.' : `Carve ${by} mm more on the ${side} at the worst pair.` };
}
