import { inspectPlan } from '../core/inspection';
import { planPiece } from '../core/plan';
import { sizesOf } from '../core/sizes';
import { sharedPlanner } from './quick';
import { randomJobs } from './random-jobs';

/** The week of the year: each week other jobs are thrown. */
export const WEEK = Math.floor((Date.now() - Date.UTC(new Date().getUTCFullYear(), 0, 1)) / (7 * 86_400_000));

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
  for (const [says, piece] of randomJobs(count, seed, sharedPlanner)) {
    try {
      const plan = planPiece(piece, {}, { sits: false, planner: sharedPlanner });
      // A panel that did not come to rest is not to be cut to: the plan says so itself.
      if (!plan.cover.check.settled) continue;
      const [first] = inspectPlan({ plan, sizes: sizesOf(plan, piece, {}) });
      if (first) wrong.push(`${says} => ${first.check}: ${first.says}`);
    } catch (error) {
      if ((error as Error).name !== 'PieceProblems') throw error;
      refused++;
    }
  }
  return { wrong, refused };
}
