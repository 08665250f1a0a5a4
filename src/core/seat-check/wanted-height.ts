import { nearestMade } from '../foam';
import type { HouseRules } from '../house';
import { keepNothing, type Keep } from '../keep';
import { foamOf, type Piece } from '../piece';
import { trySitting } from './solve';

/** The height to build for a wanted height under load: the main pad's thickness, and what it comes to. Lengths mm. */
export type WantedHeight = { thickness: number; loadedHeight: number; unloadedHeight: number; bottoms: boolean };

/** The same, and the nearest pad that sheets as sold make up: what is built if nobody slits foam. */
export type FoundHeight = WantedHeight & { sold: WantedHeight | null };

/** Near enough, mm. */
const NEAR = 0.5;

/**
 * Finds the main pad's thickness that gives a height under load over the board, by the secant method.
 *
 * @param piece a checked piece with a main pad
 * @param house the workshop's rules
 * @param wanted loaded height over the board, mm
 * @param [keep] keeps what did not change
 * @returns null where no thickness from 5 to 300 mm gives it
 */
export function forLoadedHeight(piece: Piece, house: HouseRules, wanted: number, keep: Keep = keepNothing): FoundHeight | null {
  const at = piece.pads.findIndex((pad) => pad.role === 'main');
  if (at < 0) return null;
  const tried = (thickness: number): WantedHeight => {
    const sat = trySitting({ ...piece, pads: piece.pads.map((pad, i) => (i === at ? { ...pad, thickness } : pad)) }, house, { keep });
    const { plan } = sat!;
    return { thickness, loadedHeight: plan.loadedHeight, unloadedHeight: plan.unloadedHeight, bottoms: plan.bottoms };
  };
  let low = tried(5);
  let high = tried(300);
  if (wanted < low.loadedHeight || wanted > high.loadedHeight) return null;
  for (let i = 0; i < 14; i++) {
    const share = Math.min(0.9, Math.max(0.1, (wanted - low.loadedHeight) / (high.loadedHeight - low.loadedHeight)));
    const next = tried(low.thickness + (high.thickness - low.thickness) * share);
    if (Math.abs(next.loadedHeight - wanted) <= NEAR) {
      const sold = nearestMade(next.thickness, foamOf(piece, piece.pads[at]!.material)!.sold);
      return { ...next, sold: sold === null ? null : tried(sold) };
    }
    if (next.loadedHeight > wanted) high = next;
    else low = next;
  }
  return null;
}
