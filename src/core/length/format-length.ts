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
  // From a square metre or ten square feet on, a tenth is as much as anybody says.
  const feet = mm2 / MM_PER.ft ** 2;
  if (unit === 'in') return `${feet.toFixed(feet >= 10 ? 1 : 2)} ft²`;
  return `${(mm2 / 1e6).toFixed(mm2 >= 1e6 ? 1 : 3)} m²`;
}

/** From this length on nobody says tenths of a millimetre. */
const WHOLE = 10;

/**
 * A length as it is said and cut: whole millimetres, tenths only where it is thin; inches to the sixteenth as always.
 *
 * @param mm the length in millimetres
 * @param unit the user's unit
 */
export function saidLength(mm: number, unit: Unit): string {
  // Rounded to a millimetre first, the nearest sixteenth would be that of another length.
  const whole = unit !== 'in' && Number.isFinite(mm) && Math.abs(mm) >= WHOLE;
  return formatLength(whole ? Math.round(mm) : mm, unit);
}

const MM_PER_YARD = 914.4;
/** Cloth is sold by the tenth of a metre, and by the eighth of a yard. */
const TENTH = 100;
const EIGHTHS = 8;

/**
 * Cloth off the roll as it is bought: rounded up to what is sold, in metres, or in yards for those who work in inches.
 *
 * @param mm the length in millimetres
 * @param unit the user's unit
 */
export function rollLength(mm: number, unit: Unit): string {
  if (!Number.isFinite(mm)) return '–';
  if (unit !== 'in') return `${(Math.ceil(mm / TENTH - 1e-9) / 10).toFixed(1)} m`;
  const eighths = Math.ceil((mm / MM_PER_YARD) * EIGHTHS - 1e-9);
  const whole = Math.floor(eighths / EIGHTHS);
  let [over, under] = [eighths % EIGHTHS, EIGHTHS];
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2];
  return `${[whole > 0 || over === 0 ? String(whole) : '', over > 0 ? `${over}/${under}` : ''].filter(Boolean).join(' ')} yd`;
}

/**
 * Thread and cord as they are bought: rounded up to a tenth of a metre, or of a yard for those who work in inches.
 *
 * @param mm the length in millimetres
 * @param unit the user's unit
 */
export function threadLength(mm: number, unit: Unit): string {
  if (!Number.isFinite(mm)) return '–';
  const tenths = Math.ceil((mm / (unit === 'in' ? MM_PER_YARD : MM_PER.m)) * 10 - 1e-9);
  return `${(tenths / 10).toFixed(1)} ${unit === 'in' ? 'yd' : 'm'}`;
}

/** Foam as it is sold by the inch, and how far its metric sheet may be from that, mm. */
const FOAM_INCHES = [0.5, 0.75, 1, 1.5, 2, 3, 4] as const;
const NOMINAL = 2;

/**
 * A thickness of foam as it is bought: in an inch workshop a 50 mm sheet is a 2 inch one.
 *
 * @param mm the thickness in millimetres
 * @param unit the user's unit
 */
export function foamThickness(mm: number, unit: Unit): string {
  const sold = unit === 'in' ? FOAM_INCHES.find((inch) => Math.abs(inch * MM_PER.in - mm) <= NOMINAL) : undefined;
  return formatLength(sold === undefined ? mm : sold * MM_PER.in, unit);
}
