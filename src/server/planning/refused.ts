import { PieceProblems, type Problem } from '../../core/piece';
import { PlansDisagree, type Disagreement } from '../../core/plan';

/** What a planning thread refused, as plain data. */
export type Refused = { refused: { problems: Problem[] } | { piece: string; disagreements: Disagreement[] } };

const isRefused = (answer: unknown): answer is Refused => typeof answer === 'object' && answer !== null && 'refused' in answer;

/**
 * The answer of a planning thread.
 *
 * @throws PieceProblems, PlansDisagree where the thread refused
 */
export function answerOf<T>(answer: T | Refused): T {
  if (!isRefused(answer)) return answer;
  const { refused } = answer;
  throw 'problems' in refused ? new PieceProblems(refused.problems) : new PlansDisagree(refused.piece, refused.disagreements);
}
