import { banded, entryAt, factor, solve } from './mechanics/section';

/** Mixes the last rounds of a repeated step so that it comes to its fixed point in fewer of them. */
export type Mixer = {
  /**
   * Where to go on from.
   *
   * @param at what the step was taken from
   * @param plain what it came to
   */
  next(at: Float64Array, plain: Float64Array): Float64Array;
  /** what the last step came to by itself; null before the first */
  last(): Float64Array | null;
  /** begins anew, where a mix made things worse */
  forget(): void;
};

/**
 * Anderson's acceleration of a fixed-point step: the mix of the last rounds whose gaps (what a step came to less what it was
 * taken from) nearly cancel. Source: D. G. Anderson, Iterative procedures for nonlinear integral equations, 1965.
 *
 * @param window how many rounds are looked back on
 */
export function mixer(window: number): Mixer {
  const gaps: Float64Array[] = [];
  const steps: Float64Array[] = [];
  let lastGap: Float64Array | null = null;
  let lastPlain: Float64Array | null = null;
  return {
    next(at, plain) {
      const gap = plain.map((value, i) => value - at[i]!);
      if (lastGap && lastPlain) {
        gaps.push(gap.map((value, i) => value - lastGap![i]!));
        steps.push(plain.map((value, i) => value - lastPlain![i]!));
        if (gaps.length > window) {
          gaps.shift();
          steps.shift();
        }
      }
      lastGap = gap;
      lastPlain = Float64Array.from(plain);
      const next = Float64Array.from(plain);
      leastSquares(gaps, gap).forEach((share, k) => {
        const back = steps[k]!;
        for (let i = 0; i < next.length; i++) next[i]! -= share * back[i]!;
      });
      return next;
    },
    last: () => lastPlain && Float64Array.from(lastPlain),
    forget() {
      gaps.length = 0;
      steps.length = 0;
      lastGap = null;
      lastPlain = null;
    },
  };
}

/** The mix of earlier differences that comes nearest to a gap: normal equations, a few unknowns. */
function leastSquares(columns: readonly Float64Array[], gap: Float64Array): number[] {
  const m = columns.length;
  if (m === 0) return [];
  const dot = (a: Float64Array, b: Float64Array): number => {
    let sum = 0;
    for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
    return sum;
  };
  const matrix = banded(m, m - 1);
  const right = Float64Array.from(columns, (column) => dot(column, gap));
  for (let i = 0; i < m; i++) {
    for (let j = 0; j <= i; j++) matrix.columns[entryAt(matrix, i, j)] = dot(columns[i]!, columns[j]!) * (i === j ? 1 + 1e-8 : 1);
    matrix.columns[entryAt(matrix, i, i)]! += 1e-18;
  }
  matrix.last.fill(m - 1);
  if (!factor(matrix)) return [];
  solve(matrix, right);
  return [...right];
}
