import { describe, expect, it } from 'vitest';
import { differences } from '../../testing/differences';
import { JOBS } from '../../testing/jobs';
import { withNoisyMath } from '../../testing/noisy-math';
import { isLess, leastOf, wholeDown, wholeUp } from '../ties';
import { randomPieces } from '../../testing/random-pieces';
import { runs, thorough, thisWeek } from '../../testing/runs';
import { PieceProblems, type Piece } from '../piece';
import { createPlanner, planPiece, type Plan } from '.';

/** With every triangle small, as the sheet shows it, a plan takes four times as long. */
const engines = thorough ? [1, 3, 4] : [1];

/** A plan, or what is refused where only the cover can tell. */
function planOrProblems(piece: Piece, options: { coarse?: boolean; sits?: boolean }): Plan | PieceProblems['problems'] {
  try {
    return planPiece(piece, {}, options);
  } catch (error) {
    if (!(error instanceof PieceProblems)) throw error;
    return error.problems;
  }
}

describe('the same answer on every engine', () => {
  it.each(thisWeek(JOBS, 5).map((job) => [job.title, job.piece] as const))('%s', (_title, piece) => {
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

  it.each(randomPieces(runs(5, 300), 20261130, createPlanner()))('%s', (_says, piece) => {
    const quick = { coarse: true, sits: false };
    const changes = differences(
      planOrProblems(piece, quick),
      withNoisyMath(1, () => planOrProblems(piece, quick)),
    );
    expect(changes.slice(0, 8)).toEqual([]);
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
