import { MM_PER, type Unit } from './units';

/** Sixteenths: the finest mark on an inch tape. */
const SIXTEENTHS = 16;

function inches(mm: number): string {
  const sign = mm < 0 ? '−' : '';
  const sixteenths = Math.round((Math.abs(mm) / MM_PER.in) * SIXTEENTHS);
  const whole = Math.floor(sixteenths / SIXTEENTHS);
  let over = sixteenths % SIXTEENTHS;
  let under = SIXTEENTHS;
  while (over > 0 && over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  const fraction = over > 0 ? `${over}/${under}` : '';
  const figure = [whole > 0 || fraction === '' ? String(whole) : '', fraction].filter(Boolean).join(' ');
  return `${sixteenths === 0 ? '' : sign}${figure}`;
}

function decimal(value: number, places: number): string {
  const fixed = Number(value.toFixed(places));
  return String(Object.is(fixed, -0) ? 0 : fixed).replace('-', '−');
}

/**
 * Prints a length in the user's unit: millimetres to a tenth, centimetres to a hundredth, inches as fractions
 * to 1/16.
 *
 * @param mm the length in millimetres
 * @param unit the user's unit
 * @param [options.bare=false] leave the unit off, for places where it stands elsewhere
 */
export function formatLength(mm: number, unit: Unit, options: { bare?: boolean } = {}): string {
  if (!Number.isFinite(mm)) return '–';
  if (unit === 'in') return `${inches(mm)}${options.bare ? '' : '"'}`;
  const figure = unit === 'cm' ? decimal(mm / MM_PER.cm, 2) : decimal(mm, 1);
  return options.bare ? figure : `${figure} ${unit}`;
}

/**
 * Prints an area in square metres, or square feet for those who work in inches.
 *
 * @param mm2 the area in mm²
 * @param unit the user's unit
 */
export function formatArea(mm2: number, unit: Unit): string {
  if (unit === 'in') return `${(mm2 / MM_PER.ft ** 2).toFixed(2)} ft²`;
  return `${(mm2 / 1e6).toFixed(3)} m²`;
}
