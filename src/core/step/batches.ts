import type { StepDraft } from './step';

/**
 * Minutes of one piece of a set, on average: the first takes its time, each further one a share of it. Source: trade.md,
 * “Work values”, with its figures for a set in brackets.
 *
 * @param steps of one piece made by itself
 * @param count pieces in the set
 * @param share what each further one takes, in hundredths
 */
export function averageOfSet<S extends StepDraft>(steps: readonly S[], count: number, share: number): S[] {
  const average = (1 + ((count - 1) * share) / 100) / count;
  return steps.map((step) => (step.batch === 'first only' ? step : { ...step, minutes: Math.max(1, Math.round(step.minutes * average)) }));
}

/**
 * Minutes of a set done in batches: each step on all pieces before the next. A wait is spent on the next piece's turn:
 * only what is longer than that is waited for, once.
 *
 * @param steps of one piece
 * @param count pieces in the set
 */
export function batchMinutes(steps: readonly StepDraft[], count: number): number {
  return steps.reduce((sum, { minutes, wait }) => sum + minutes * count + Math.max(0, wait - minutes * (count - 1)), 0);
}
