import { formatArea, formatLength, type Unit } from '../length';
import type { Term } from './types';

/**
 * Prints a figure of the slip in the user's unit.
 *
 * @param value in the unit of its kind: mm, mm², kg, minutes, seconds, %
 * @param kind what it counts
 * @param unit the user's unit of length
 */
export function printFigure(value: number, kind: Term['unit'], unit: Unit): string {
  switch (kind) {
    case 'length':
      return formatLength(value, unit);
    case 'area':
      return formatArea(value, unit);
    case 'percent':
      return `${Math.round(value * 10) / 10} %`;
    case 'minutes':
      return `${Math.round(value)} min`;
    case 'seconds':
      return `${Math.round(value * 10) / 10} s`;
    case 'mass':
      return unit === 'in' ? `${(value / 0.45359237).toFixed(2)} lb` : `${value.toFixed(2)} kg`;
    case 'force':
      return `${Math.round(value * 10) / 10} N`;
    case 'pressure':
      return `${Math.round(value * 10000) / 10} kPa`;
    default:
      return String(Math.round(value * 100) / 100);
  }
}
