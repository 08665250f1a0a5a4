import type { Step } from '@/core/run-sheet';

/** A step done on one piece. */
export type Ticked = { unit: number; step: string };

/** How far each piece of a set is: how many steps are done on it. */
export function pieceProgress(steps: readonly Step[], ticks: readonly Ticked[], count: number): number[] {
  const keys = new Set(steps.map(({ key }) => key));
  return Array.from({ length: count }, (_, k) => ticks.filter(({ unit, step }) => unit === k + 1 && keys.has(step)).length);
}

/** Pieces that fell behind the most of their set by more than a step. */
export function behind(progress: readonly number[]): { unit: number; by: number }[] {
  if (progress.length < 3) return [];
  const sorted = [...progress].sort((a, b) => a - b);
  const most = sorted[Math.floor(sorted.length / 2)]!;
  return progress.flatMap((value, k) => (most - value > 1 ? [{ unit: k + 1, by: most - value }] : []));
}

/**
 * What can be done while something is waited for: the first step that is open on some piece, whose own steps before it are done on
 * that piece, and that does not hang on what is waited for.
 *
 * @param steps the run sheet
 * @param ticks what is done
 * @param count pieces in the set
 * @param waiting keys of the steps that are waited for
 */
export function meanwhile(steps: readonly Step[], ticks: readonly Ticked[], count: number, waiting: readonly string[]): Step | null {
  const done = new Set(ticks.map(({ unit, step }) => `${unit} ${step}`));
  const waitingIds = new Set(waiting);
  // What hangs on what is waited for, however far down.
  for (const { key, after } of steps) if (after.some((before) => waitingIds.has(before))) waitingIds.add(key);
  const units = Array.from({ length: count }, (_, k) => k + 1);
  return (
    steps.find(
      ({ key, after }) =>
        !waitingIds.has(key) && units.some((unit) => !done.has(`${unit} ${key}`) && after.every((before) => done.has(`${unit} ${before}`))),
    ) ?? null
  );
}

/** Minutes and seconds as a clock shows them. */
export function sayClock(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
