import type { Pace } from './diary';

/** A time that was taken: the step, what the run sheet said for it, what it took, and whom. */
export type Taken = { step: string; told: number; took: number; person?: string };

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

/** Shares by what they are of. */
function grouped<T>(times: readonly T[], of: (time: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const time of times) groups.set(of(time), [...(groups.get(of(time)) ?? []), time]);
  return groups;
}

/** Middle and scatter of what was taken; nothing where it is too little. */
function measured(times: readonly Taken[]): { share: number; spread: number; times: number } | null {
  if (times.length < ENOUGH) return null;
  const list = times.map(({ told: value, took }) => took / value);
  const share = median(list);
  return { share, spread: (NORMAL * median(list.map((value) => Math.abs(value - share)))) / share, times: list.length };
}

/**
 * How long steps take here, by what was measured: the median of what they took against what was told, and how far they scatter (by
 * the median of the deviations, so that one long day does not count); of everybody, and of each of whom there is enough.
 *
 * @param times what was measured
 */
export function paceOf(times: readonly Taken[]): Pace {
  const believed = times.filter(({ told: value, took }) => took / value >= BELIEVED[0] && took / value <= BELIEVED[1]);
  const pace: Record<string, Pace[string]> = {};
  for (const [step, taken] of grouped(believed, (time) => time.step)) {
    const all = measured(taken);
    if (!all) continue;
    const people = [...grouped(taken, ({ person = '' }) => person)].flatMap(([name, theirs]) => {
      const found = name === '' ? null : measured(theirs);
      return found ? [[name, found] as const] : [];
    });
    pace[step] = people.length > 0 ? { ...all, people: Object.fromEntries(people) } : all;
  }
  return pace;
}
