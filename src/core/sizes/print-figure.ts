import { formatArea, formatLength, rollLength, saidLength, threadLength, type Unit } from '../length';
import type { Term } from './types';

/** Minutes are said as such up to this many; from then on in hours. */
const LONG = 120;

/** A time as it is said: 95 min, 8 h 20. */
function saidMinutes(minutes: number): string {
  if (minutes < LONG) return `${minutes} min`;
  const rest = minutes % 60;
  return `${Math.floor(minutes / 60)} h${rest > 0 ? ` ${String(rest).padStart(2, '0')}` : ''}`;
}

/**
 * Prints a figure of the sizes in the user's unit.
 *
 * @param value in the unit of its kind: mm, mm², kg, minutes, seconds, %
 * @param kind what it counts
 * @param unit the user's unit of length
 * @param [exact=false] with tenths of a millimetre, for the reason of a number
 */
export function printFigure(value: number, kind: Term['unit'], unit: Unit, exact = false): string {
  switch (kind) {
    case 'length':
      return exact ? formatLength(value, unit) : saidLength(value, unit);
    case 'pitch':
      return formatLength(value, unit);
    case 'roll':
      return exact ? formatLength(value, unit) : rollLength(value, unit);
    case 'thread':
      return exact ? formatLength(value, unit) : threadLength(value, unit);
    case 'area':
      return formatArea(value, unit);
    case 'percent':
      return `${Math.round(value * 10) / 10} %`;
    case 'minutes':
      return saidMinutes(Math.round(value));
    case 'seconds':
      return `${Math.round(value * 10) / 10} s`;
    case 'mass':
      return unit === 'in' ? `${(value / 0.45359237).toFixed(2)} lb` : `${value.toFixed(2)} kg`;
    case 'force':
      return `${Math.round(value * 10) / 10} N`;
    case 'money':
      return value.toFixed(2);
    case 'pressure':
      return `${Math.round(value * 10000) / 10} kPa`;
    default:
      return String(Math.round(value * 100) / 100);
  }
}
