import { STAPLE_LEGS } from '../wares';
import type { StripRecord } from '../piece';

/** What the old staples say: the size to buy, and whether their leg was too long for the board. Sizes mm. */
export type OldStaple = {
  name: string;
  leg: number;
  crown: number;
  buy: number;
  tooLong: boolean;
  words: string;
  /** why the gun there is does not take them; null where it does */ gun: string | null;
};

/** The legs and the crown that a gun takes, mm. */
export type Gun = { legs: readonly [number, number]; crown: number };

/** A crown measured by hand is so far off at most, mm. */
const MEASURED = 1;

/** Why a gun does not take a staple. */
function notTaken(leg: number, crown: number, gun: Gun): string | null {
  if (leg < gun.legs[0] || leg > gun.legs[1]) return `The gun takes legs of ${gun.legs[0]} to ${gun.legs[1]} mm.`;
  if (crown > 0 && Math.abs(crown - gun.crown) > MEASURED)
    return `Its crown is not the gun’s ${gun.crown} mm: use staples of the gun’s crown with that leg.`;
  return null;
}

/**
 * Reads the measured fasteners that came off. A leg is sold in a few lengths: the nearest is what was in there.
 *
 * @param strip the record
 * @param board thickness, mm
 * @param clear how far a point must stay from the board's far face, mm
 * @param [gun] the legs and the crown that the gun there is takes, mm
 */
export function oldStaples(strip: StripRecord | undefined, board: number, clear: number, gun: Gun | null = null): OldStaple[] {
  return (strip?.items ?? [])
    .filter((item) => item.what === 'fastener' && item.leg > 0)
    .map(({ name, leg, crown }) => {
      const buy = STAPLE_LEGS.reduce<number>((best, sold) => (Math.abs(sold - leg) < Math.abs(best - leg) ? sold : best), STAPLE_LEGS[0]);
      const tooLong = leg > board - clear;
      return {
        name,
        leg,
        crown,
        buy,
        tooLong,
        gun: gun && notTaken(buy, crown, gun),
        words: tooLong
          ? `A ${leg} mm leg is too long for this ${board} mm board: ${Math.max(0, Math.floor(board - clear))} mm maximum.`
          : `The same again: ${buy} mm leg${crown > 0 ? `, crown about ${crown} mm` : ''}.`,
      };
    });
}
