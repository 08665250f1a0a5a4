import { formatLength } from './format-length';
import type { Unit } from './units';

/** “50 mm”, and runs of figures before one unit: “25 + 40 mm”, “1000 × 2000 mm”, “13, 25, 40 mm”. */
const MILLIMETRES = /(-?\d+(?:\.\d+)?(?:(?:, | × | \+ | to )\d+(?:\.\d+)?)*) mm\b/g;

/**
 * Words with lengths in millimetres, said in the user's unit. Messages and notes are made in millimetres, the unit of
 * a plan; this is what a screen and the printed pages show of them.
 *
 * @param words text with lengths like “50 mm”
 * @param unit the user's unit
 * @param [say] how a length is called; foam by what it is sold as
 */
export function inUnit(words: string, unit: Unit, say: (mm: number, unit: Unit) => string = formatLength): string {
  if (unit === 'mm') return words;
  return words.replace(MILLIMETRES, (_, figures: string) => figures.replace(/-?\d+(?:\.\d+)?/g, (figure) => say(Number(figure), unit)));
}
