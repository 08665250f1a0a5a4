import type { Stock } from '../store';
import type { LayBin } from './types';

/** What is narrower or shorter than this is thrown away, mm. */
export const WORTH_KEEPING = 150;

/** What is left of a bin: a part of a roll, or an offcut; null where it is not worth keeping. */
export type Leftover = Pick<Stock, 'form' | 'count' | 'width' | 'length' | 'flaws'> & { ware: string };

/**
 * What is left of a roll or sheet beyond the pieces: the full width of it, past the last cut.
 *
 * @param bin that was cut from; one without a length was bought to measure
 * @param used of its length, mm
 * @param isRoll rolls leave part rolls, sheets offcuts
 * @param [bought] how long a roll was that came off the shelf, mm
 */
export function leftover(bin: LayBin, used: number, isRoll: boolean, bought: number | null = null): Leftover | null {
  const length = bin.length ?? bought;
  if (length === null || bin.ware === null) return null;
  // What is left of an offcut that was no rectangle is measured by hand.
  if (bin.outline) return null;
  const rest = Math.floor(length - used);
  if (rest < WORTH_KEEPING || bin.width < WORTH_KEEPING) return null;
  const flaws = bin.flaws.filter(({ y, height }) => y + height > used).map((flaw) => ({ ...flaw, y: Math.max(0, flaw.y - used) }));
  return {
    ware: bin.ware,
    form: isRoll ? 'part' : 'offcut',
    count: 1,
    width: bin.width,
    length: rest,
    ...(flaws.length > 0 ? { flaws } : {}),
  };
}
