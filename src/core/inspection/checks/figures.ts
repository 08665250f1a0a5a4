import type { Check, Found } from '../finding';

/** Ways to numbers in plain data that are none; a way is put together only where there is one. */
function unusable(data: unknown): string[] {
  if (typeof data === 'number') return Number.isFinite(data) ? [] : [''];
  if (typeof data !== 'object' || data === null) return [];
  const found: string[] = [];
  for (const key in data) for (const way of unusable((data as Record<string, unknown>)[key])) found.push(way ? `${key}.${way}` : key);
  return found;
}

/** Parts of a plan that may say “without end”. */
const OPEN_ENDED: ReadonlySet<string> = new Set(['sit', 'pockets', 'surface']);

/** How many are put into words. */
const IN_WORDS = 5;

export const FIGURES: Check = {
  id: 'figures',
  holds: 'every figure is a number',
  needs: [],
  // A pocket's or a foam's limits may be open-ended; what is cut and done by is not.
  find: ({ plan }) =>
    Object.entries(plan)
      .filter(([key]) => !OPEN_ENDED.has(key))
      .flatMap(([key, value]) => unusable(value).map((way) => (way ? `${key}.${way}` : key)))
      .slice(0, IN_WORDS)
      .map((way): Found => ({ part: 'Plan', place: way, by: null, says: `${way} is not a number` })),
};
