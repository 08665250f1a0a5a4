/** Figures in a plan are kept to a thousandth of their unit: far finer than a blade, and the same on every machine. */
const PLACES = 1000;

/**
 * Rounds every number in plain data, so that a plan printed, stored and shown is one and the same.
 *
 * @param data plain data
 */
export function tidy<T>(data: T): T {
  if (typeof data === 'number') {
    // Half-way figures are rounded alike on both sides of nothing: what lies left lies right.
    const rounded = (Math.sign(data) * Math.round(Math.abs(data) * PLACES)) / PLACES;
    return (Object.is(rounded, -0) ? 0 : rounded) as T;
  }
  if (Array.isArray(data)) return data.map((item: unknown) => tidy(item)) as T;
  if (data !== null && typeof data === 'object') {
    return Object.fromEntries(Object.entries(data).map(([key, value]) => [key, tidy(value as unknown)])) as T;
  }
  return data;
}
