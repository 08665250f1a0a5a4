import { describe, expect, it } from 'vitest';
import { JOBS } from '../../testing/jobs';
import { withNoisyMath } from '../../testing/noisy-math';
import { isLess, leastOf, wholeDown, wholeUp } from '../ties';
import { planPiece } from '.';
import { thorough } from '../../testing/runs';

/** A figure may move by this between engines: mm, and mm², N or minutes alike. */
const STEADY = 0.01;
/** A large area may move by this share of itself. */
const STEADY_SHARE = 1e-7;

/** Every place where two plans differ by more than an engine's last bits explain. */
function differences(a: unknown, b: unknown, path = 'plan'): string[] {
  if (typeof a === 'number' && typeof b === 'number')
    return Math.abs(a - b) <= STEADY + STEADY_SHARE * Math.abs(a) || Object.is(a, b) ? [] : [`${path}: ${a} and ${b}`];
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length
      ? a.flatMap((value, i) => differences(value, b[i], `${path}.${i}`))
      : [`${path}: ${a.length} of them and ${b.length}`];
  if (a && b && typeof a === 'object' && typeof b === 'object') {
    const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
    return [...new Set([...Object.keys(left), ...Object.keys(right)])].flatMap((key) =>
      differences(left[key], right[key], `${path}.${key}`),
    );
  }
  return a === b ? [] : [`${path}: ${String(a)} and ${String(b)}`];
}

/** With every triangle small, as the sheet shows it, a plan takes four times as long. */
const engines = thorough ? [1, 3, 4] : [1];

describe('the same answer on every engine', () => {
  it.each(JOBS.map((job) => [job.title, job.piece] as const))('%s', (_title, piece) => {
    const options = thorough ? {} : { coarse: true, sits: false };
    const plan = planPiece(piece, {}, options);
    for (const engine of engines)
      expect(
        differences(
          plan,
          withNoisyMath(engine, () => planPiece(piece, {}, options)),
        ).slice(0, 8),
      ).toEqual([]);
  });

  it('is disturbed in truth: the noise moves what has no tolerance', () => {
    const angles = Array.from({ length: 200 }, (_, i) => i / 31);
    const exact = angles.map((angle) => Math.sin(angle));
    const noisy = withNoisyMath(1, () => angles.map((angle) => Math.sin(angle)));
    expect(noisy.filter((value, i) => value !== exact[i]).length).toBeGreaterThan(80);
    expect(Math.max(...noisy.map((value, i) => Math.abs(value - exact[i]!)))).toBeLessThan(1e-15);
  });
});

describe('choices with a tolerance', () => {
  it('take equals as equal, and of equals the first', () => {
    const third = 1 / 3;
    expect(isLess(third * 3 - Number.EPSILON, 1)).toBe(false);
    expect(wholeUp(3 + 1e-12)).toBe(3);
    expect(wholeDown(3 - 1e-12)).toBe(3);
    expect(wholeUp(3.01)).toBe(4);
    const figures = [5, 2 + 1e-12, 2, 7];
    expect(leastOf(figures.length, (i) => figures[i]!)).toBe(1);
  });
});
