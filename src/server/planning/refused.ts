import { UnsoundPlan, type Finding } from '../../core/inspection';
import { PieceProblems, type Problem } from '../../core/piece';
import { PlansDisagree, type Disagreement } from '../../core/plan';

/** What a planning thread refused, as plain data. */
export type Refused = {
  refused: { problems: Problem[] } | { piece: string; disagreements: Disagreement[] } | { piece: string; findings: Finding[] };
};

const isRefused = (answer: unknown): answer is Refused => typeof answer === 'object' && answer !== null && 'refused' in answer;

/**
 * The answer of a planning thread.
 *
 * @throws PieceProblems, PlansDisagree, UnsoundPlan where the thread refused
 */
export function answerOf<T>(answer: T | Refused): T {
  if (!isRefused(answer)) return answer;
  const { refused } = answer;
  if ('problems' in refused) throw new PieceProblems(refused.problems);
  if ('findings' in refused) throw new UnsoundPlan(refused.piece, refused.findings);
  throw new PlansDisagree(refused.piece, refused.disagreements);
}
