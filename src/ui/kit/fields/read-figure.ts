import { parseMass } from '@/core/length';

/** What a plain figure was understood as, or why not. */
export type FigureRead = { ok: true; value: number; says: string } | { ok: false; message: string };

/**
 * A count, a percentage, a weight, as somebody types it: with its unit or without, a comma for a point.
 *
 * @param text what was typed
 * @param field its unit, and whether parts of one make sense
 */
export function readFigure(
  text: string,
  { suffix, whole = false }: { suffix?: string | undefined; whole?: boolean | undefined },
): FigureRead {
  const unit = suffix ? ` ${suffix}` : '';
  const mass = suffix === 'kg' ? parseMass(text) : null;
  const clean = (suffix ? text.replace(suffix, '') : text).replace(',', '.').replace('−', '-').trim();
  if (mass === null && !/^-?\d+(\.\d+)?$/.test(clean)) return { ok: false, message: `“${text.slice(0, 30)}” is not a number` };
  const value = mass ?? Number(clean);
  if (whole && !Number.isInteger(value)) return { ok: false, message: 'This must be a whole number' };
  return { ok: true, value, says: `${value}${unit}` };
}
