import { inspectPlan } from '../core/inspection';
import { planPiece } from '../core/plan';
import { sizesOf } from '../core/sizes';
import { sharedPlanner } from './quick';
import { randomJobs } from './random-jobs';
import { runs } from './runs';

/**
 * Of so many random jobs one is solved in full, more of them in the thorough run; the others have the same cuts, notches, rows and goods
 * on larger triangles. With FOVEA_FULL=1 every one is, which takes three quarters of an hour for 10,000.
 */
const IN_FULL = runs(30, 10);

/**
 * Plans random jobs and inspects each.
 *
 * @param count how many
 * @param seed which
 * @returns what was found, a line a job, and how many were refused in words: a way whose seam would cross itself on that outline
 */
export function inspectedJobs(count: number, seed: number): { wrong: string[]; refused: number } {
  const wrong: string[] = [];
  let refused = 0;
  let at = 0;
  for (const [says, piece] of randomJobs(count, seed, sharedPlanner)) {
    const coarse = process.env.FOVEA_FULL !== '1' && at++ % IN_FULL !== 0;
    try {
      const plan = planPiece(piece, {}, { sits: false, coarse, planner: sharedPlanner });
      // A panel that did not come to rest is not to be cut to: the plan says so itself.
      if (!plan.cover.check.settled) continue;
      const [first] = inspectPlan({ plan, sizes: sizesOf(plan, piece, {}) });
      if (first) wrong.push(`${says} => ${first.check}: ${first.says}`);
    } catch (error) {
      if ((error as Error).name === 'PieceProblems') refused++;
      else wrong.push(`${says} => ${(error as Error).stack}`);
    }
  }
  return { wrong, refused };
}
