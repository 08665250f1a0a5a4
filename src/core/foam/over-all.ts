import type { FoamCurve } from './curve';
import { curveOf } from './fit';
import { findMaterial, FOAMS, WADDINGS } from './materials';

/** Batting gives at the lightest touch and then closes; N/mm². */
export const WADDING_CURVE: FoamCurve = { plateau: 0.0004, onset: 0.3, densify: 2 };

/** What lies over all the padding and under the cover: as thick as it is without pressure, mm, and how it gives. */
export type OverAll = { thickness: number; curve: FoamCurve };

/**
 * What is laid over all: loose wadding, of which smoothing down leaves a share, or thin backed foam, which keeps its thickness
 * and gives as its foam does.
 *
 * @param id of the wadding table; null for none
 * @param settled what is left of loose wadding once smoothed down, percent
 */
export function overAll(id: string | null, settled: number): OverAll {
  const wadding = id === null ? undefined : findMaterial(WADDINGS, id);
  if (!wadding) return { thickness: 0, curve: WADDING_CURVE };
  const foam = wadding.stretched && findMaterial(FOAMS, wadding.stretched);
  return foam ? { thickness: wadding.loft, curve: curveOf(foam) } : { thickness: (wadding.loft * settled) / 100, curve: WADDING_CURVE };
}

/** Staples of backed foam stand so many times as far apart as those of a cover: it is only kept from creeping. */
export const STRETCHED_APART = 2;

/**
 * Staples that hold stretched backed foam on one piece.
 *
 * @param size of it as it is cut, mm
 * @param pitch of the cover's staples, mm
 */
export function stretchedStaples({ width, height }: { width: number; height: number }, pitch: number): number {
  return Math.ceil((2 * (width + height)) / (STRETCHED_APART * pitch));
}

/** Whether it is drawn over all and held, instead of laid. */
export function isStretched(id: string | null): boolean {
  return id !== null && Boolean(findMaterial(WADDINGS, id)?.stretched);
}

/** What is laid over all, in a word. */
export function overAllName(id: string | null): string {
  return isStretched(id) ? 'Backed foam' : 'Wadding';
}
