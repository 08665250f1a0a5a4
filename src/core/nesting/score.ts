import type { Lay, LayBin } from './types';

/** How good a lay is, the less the better, the first figure first: what is left over, bins that are bought, the length of the last. */
export type LayScore = readonly [left: number, fresh: number, length: number];

/** The score of a lay. */
export function scoreOf({ bins, left, used }: Pick<Lay, 'bins' | 'left' | 'used'>): LayScore {
  const fresh = bins.filter((bin, k) => bin.stock === null && (used[k] ?? 0) > 0).length;
  return [left.length, fresh, used.findLast((top) => top > 0) ?? 0];
}

/** Whether one lay is better than another. */
export function isBetter(a: Pick<Lay, 'bins' | 'left' | 'used'>, b: Pick<Lay, 'bins' | 'left' | 'used'>): boolean {
  const [one, two] = [scoreOf(a), scoreOf(b)];
  for (let k = 0; k < one.length; k++) if (Math.abs(one[k]! - two[k]!) > 1e-6) return one[k]! < two[k]!;
  return false;
}

/** How much of each bin is taken, from its end, mm: of places that were changed by hand. */
export function usedOf(bins: readonly LayBin[], tops: readonly { bin: number; top: number }[]): number[] {
  return bins.map((_, k) => Math.max(0, ...tops.filter(({ bin }) => bin === k).map(({ top }) => top)));
}
