import { stretchedIn } from '../base';
import { coveredStep, type Fineness, type Model } from '../build';
import { builtModel } from '../cover';
import type { HouseRules } from '../house';
import { keepNothing, type Keep } from '../keep';
import type { Piece, Sitting } from '../piece';
import { sitPlan, type Sat } from './sit-plan';
import { loadOf, sittingOf } from './sitting';

/**
 * Who sits on a piece, and what they find.
 *
 * @param model the built piece
 * @param [fineness='own'] how finely it is covered
 * @param [sitting] who sits; the piece's own sitting otherwise
 */
export function sitStep(model: Model, fineness: Fineness = 'own', sitting: Sitting = sittingOf(model)): Sat | null {
  const { stack, keep, rule, piece } = model;
  const covered = coveredStep(model, fineness);
  const deck = [stretchedIn(piece.base), rule('handLean')];
  const reads = [stack, covered, sitting, loadOf(model, sitting), rule('leastLeft'), rule('mostStrain'), deck];
  return keep('sit', reads, () => sitPlan(model, covered, sitting));
}

/** What a trial is made with. */
export type TrialOptions = { sitting?: Sitting; fineness?: Fineness; keep?: Keep };

/**
 * Covers a piece and sits on it, for trials: larger triangles and a coarser grid than the sheet's own unless told.
 *
 * @param piece a checked piece
 * @param house the workshop's rules
 * @param [options] who sits, how finely
 * @throws PieceProblems when the piece cannot be built
 */
export function trySitting(
  piece: Piece,
  house: HouseRules,
  { sitting, fineness = 'trial', keep = keepNothing }: TrialOptions = {},
): Sat | null {
  const model = builtModel(piece, house, keep);
  return sitStep(model, fineness, sitting);
}
