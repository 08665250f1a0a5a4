import type { FieldUnit, Range } from '../../fields';

/** More inches than this are said in feet or metres. */
const MOST_INCHES = 99;
const DEGREE = Math.PI / 180;

const UNIT_WORDS: Record<FieldUnit, string> = {
  mm: ' mm',
  rad: '°',
  kg: ' kg',
  '%': ' %',
  N: ' N',
  'N/10 cm': ' N per 10 cm',
  'kg/m³': ' kg/m³',
  'g/m²': ' g/m²',
  s: ' s',
  px: ' px',
  money: '',
  count: '',
  ratio: '',
};

/** A figure of the document with its unit, for a message. */
export function sayFigure(value: number, unit: FieldUnit): string {
  const shown = unit === 'rad' ? value / DEGREE : value;
  return `${Math.round(shown * 1000) / 1000}${UNIT_WORDS[unit]}`;
}

/** What may have been meant, mm, and how it is asked for. */
export type Slip = { value: number; says: string };

/** How far off a whole millimetre is still whole: inches are shown to a sixteenth. */
const WHOLE = 0.02;

/**
 * What was meant by a slip of the finger: ten times, a tenth or a hundredth of something that would fit, inches where
 * millimetres are meant, or the other way round.
 *
 * @param value mm
 * @param range what would fit
 */
export function slipOf(value: number, [low, high]: Range): Slip | null {
  for (const factor of [25.4, 1 / 25.4, 0.1, 10, 0.01]) {
    const guess = value * factor;
    // Millimetres taken for inches come back whole; anything else is no such slip.
    if (factor === 1 / 25.4 && Math.abs(guess - Math.round(guess)) > WHOLE) continue;
    // A figure too many at the end was a nought: 9999 is no slip of 1000.
    if (factor < 0.5 && factor !== 1 / 25.4 && Math.abs(guess - Math.round(guess)) > 1e-6) continue;
    // Small whole figures are what a tape in inches shows.
    if (factor === 25.4 && (value > MOST_INCHES || value % 0.5 !== 0)) continue;
    if (guess < low * 1.5 || guess > high * 0.7) continue;
    return { value: factor === 25.4 ? guess : Math.round(guess), says: factor === 25.4 ? `${value} inches` : `${Math.round(guess)} mm` };
  }
  return null;
}

function didYouMean(value: number, range: Range): string {
  const slip = slipOf(value, range);
  return slip ? `; did you mean ${slip.says}?` : '';
}

/**
 * Says what is wrong with one figure, in words for the person who typed it.
 *
 * @param label what is measured
 * @param value in its unit
 * @param range least and most
 * @param [unit='mm']
 * @returns null where nothing is
 */
export function sayRange(label: string, value: unknown, range: Range, unit: FieldUnit = 'mm'): string | null {
  if (typeof value !== 'number' || !Number.isFinite(value)) return `${label} is not a number`;
  const [low, high] = range;
  if (value >= low && value <= high) return null;
  if (unit === 'rad') return `${label}: ${sayFigure(value, unit)} is out of range; use ${sayFigure(low, unit)} to ${sayFigure(high, unit)}`;
  const mended = unit === 'mm' ? didYouMean(value, range) : '';
  if (value > high) return `${label}: ${sayFigure(value, unit)} is too much; ${sayFigure(high, unit)} maximum${mended}`;
  if (value < 0 && low >= 0) return `${label} cannot be negative`;
  if (value === 0) return `${label} cannot be 0; ${sayFigure(low, unit)} minimum`;
  return `${label}: ${sayFigure(value, unit)} is too little; ${sayFigure(low, unit)} minimum${mended}`;
}
