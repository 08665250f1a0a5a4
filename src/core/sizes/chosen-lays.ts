import { length, type SizeLine } from './types';

/** What is bought of a roll by a lay that somebody chose, mm, by the key of the size line that says its length. */
export type ChosenLengths = Readonly<Record<string, number>>;

/** Of a roll so much is laid here, and so much is bought by another lay that was chosen: in words, beside the drawing. */
export const CHOSEN = 'by the lay you chose';

/**
 * Sizes with the lengths of the lays that were chosen: what is bought and what is read is one length.
 *
 * @param lines the sizes of a plan
 * @param chosen lengths of chosen lays
 */
export function withChosenLays(lines: readonly SizeLine[], chosen: ChosenLengths): SizeLine[] {
  return lines.map((line) => {
    const value = chosen[line.key];
    if (value === undefined) return line;
    return {
      ...line,
      value,
      note: value > 0 ? CHOSEN : 'none to buy: the lay you chose takes it from the store',
      formula: 'length = bought by the lay you chose',
      terms: [length('cut sheet', 'As the cut sheet lays it', line.value)],
    };
  });
}
