import { LEGS } from '../fix';
import type { StripRecord } from '../piece';

/** What the old staples say: the size to buy, and whether their leg was too long for the board. Sizes mm. */
export type OldStaple = { name: string; leg: number; crown: number; buy: number; tooLong: boolean; words: string };

/**
 * Reads the measured fasteners that came off. A leg is sold in a few lengths: the nearest is what was in there.
 *
 * @param strip the record
 * @param board thickness, mm
 * @param clear how far a point must stay from the board's far face, mm
 */
export function oldStaples(strip: StripRecord | undefined, board: number, clear: number): OldStaple[] {
  return (strip?.items ?? [])
    .filter((item) => item.what === 'fastener' && item.leg > 0)
    .map(({ name, leg, crown }) => {
      const buy = LEGS.reduce<number>((best, sold) => (Math.abs(sold - leg) < Math.abs(best - leg) ? sold : best), LEGS[0]);
      const tooLong = leg > board - clear;
      return {
        name,
        leg,
        crown,
        buy,
        tooLong,
        words: tooLong
          ? `A ${leg} mm leg is too long for this ${board} mm board: ${Math.max(0, Math.floor(board - clear))} mm is the most.`
          : `The same again: ${buy} mm leg${crown > 0 ? `, crown about ${crown} mm` : ''}.`,
      };
    });
}
