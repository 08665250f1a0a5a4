import type { Pace } from './diary';

/** A time that was taken: the step, what the run sheet said for it, what it took. */
export type Taken = { step: string; told: number; took: number };

/** Fewer times than this say nothing. */
export const ENOUGH = 5;
/** A median’s mean deviation of this times is the spread of even chances. */
const NORMAL = 1.4826;
/** Outside of this nobody believes it: a step was not ticked, or a stop watch left on. */
const BELIEVED = [0.2, 5] as const;

const median = (list: readonly number[]): number => {
  const sorted = [...list].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/**
 * How long steps take here, by what was measured: the median of what they took against what was told, and how far they scatter (by
 * the median of the deviations, so that one long day does not count). Steps are told apart by what they are, not by which pad.
 *
 * @param times what was measured
 */
export function paceOf(times: readonly Taken[]): Pace {
  const shares = new Map<string, number[]>();
  for (const { step, told, took } of times) {
    const share = took / told;
    if (!(share >= BELIEVED[0] && share <= BELIEVED[1])) continue;
    shares.set(step, [...(shares.get(step) ?? []), share]);
  }
  return Object.fromEntries(
    [...shares]
      .filter(([, list]) => list.length >= ENOUGH)
      .map(([step, list]) => {
        const share = median(list);
        return [step, { share, spread: (NORMAL * median(list.map((own) => Math.abs(own - share)))) / share, times: list.length }];
      }),
  );
}
