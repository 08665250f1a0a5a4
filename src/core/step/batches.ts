import type { ToldStep } from './step';

/**
 * Minutes of a set done in batches: each step on all pieces before the next. A wait is spent on the next piece's turn:
 * only what is longer than that is waited for, once.
 *
 * @param steps of one piece
 * @param count pieces in the set
 */
export function batchMinutes(steps: readonly ToldStep[], count: number): number {
  return steps.reduce((sum, { minutes, wait }) => sum + minutes * count + Math.max(0, wait - minutes * (count - 1)), 0);
}
