/**
 * The yardstick: one plain five-point red-black sweep over 201 × 201 places, no coefficients, written out. Everything is
 * said as so many of these, so that a slow hour of the machine cancels out.
 */
const SIDE = 201;
const HEIGHTS = new Float64Array(SIDE * SIDE);
const LOADS = new Float64Array(SIDE * SIDE).fill(1);

/** Runs the bare sweep once. */
export function bareSweep(): void {
  const [u, f, n] = [HEIGHTS, LOADS, SIDE];
  for (let colour = 0; colour < 2; colour++)
    for (let j = 1; j < n - 1; j++)
      for (let i = 1 + ((j + colour) & 1); i < n - 1; i += 2) {
        const k = j * n + i;
        u[k] = 0.25 * (u[k - 1]! + u[k + 1]! + u[k - n]! + u[k + n]! + f[k]!);
      }
}

/** How long a piece of work takes, ms. */
export function timed(work: () => unknown): number {
  const began = performance.now();
  work();
  return performance.now() - began;
}

/** The least time of a run and of the bare sweep, ms, and their ratio. */
export type Measured = { ms: number; sweep: number; ratio: number };

/**
 * Runs a piece of work and the bare sweep by turns; of each the least counts.
 *
 * @param work what is measured
 * @param [runs] how often
 */
export function bySweeps(work: () => unknown, runs = 9): Measured {
  for (let i = 0; i < 50; i++) bareSweep();
  let [ms, sweep] = [Infinity, Infinity];
  for (let run = 0; run < runs; run++) {
    for (let i = 0; i < 12; i++) sweep = Math.min(sweep, timed(bareSweep));
    ms = Math.min(ms, timed(work));
  }
  return { ms, sweep, ratio: ms / sweep };
}

/** One line of the report; what is over its target says so. */
export function report(name: string, { ms, ratio }: Measured, target: number, more = ''): void {
  const over = ratio > target ? `  over ×${(ratio / target).toFixed(1)}` : '';
  console.log(`${name.padEnd(52)}${ms.toFixed(1).padStart(9)} ms${ratio.toFixed(0).padStart(8)} sweeps  (at most ${target})${over}${more}`);
}

/** A target that is a plain ratio to a peer. */
export function compare(name: string, ratio: number, target: number, least = false): void {
  const missed = least ? ratio < target : ratio > target;
  console.log(
    `${name.padEnd(52)}${`×${ratio.toFixed(2)}`.padStart(12)}  (${least ? 'at least' : 'at most'} ${target})${missed ? '  missed' : ''}`,
  );
}
