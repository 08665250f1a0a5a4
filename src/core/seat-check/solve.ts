import { stretchedIn } from '../base';
import { coveredStep, modelFrom, type CoveredSurface, type Fineness, type Model, type ModelReads } from '../padding';
import { builtModel } from '../cover';
import type { HouseRules } from '../house';
import { keepNothing, type Keep } from '../keep';
import { fieldsOf, kindOf, type Piece, type Sitting } from '../piece';
import { sitPlan, type Sat, type SitFields, type SitRules } from './sit-plan';
import { shareOf, sittingOf } from './sitting';

type SitReads = ModelReads<SitFields, SitRules> & { covered: CoveredSurface; sitting: Sitting; share: number };

/**
 * Who sits on a piece, and what they find.
 *
 * @param model the built piece
 * @param [fineness='full'] how finely it is covered
 * @param [sitting] who sits; the piece's own sitting otherwise
 */
export function sitStep(model: Model, fineness: Fineness = 'full', sitting: Sitting = sittingOf(model)): Sat | null {
  const { stack, keep, figures, piece } = model;
  const covered = coveredStep(model, fineness);
  const reads: SitReads = {
    stack,
    figures: fieldsOf(figures, 'leastLeft', 'mostStrain', 'handLean'),
    piece: { pan: kindOf(piece.kind).traits.pan, base: { deck: stretchedIn(piece.base) } },
    covered,
    sitting,
    share: shareOf(model, sitting),
  };
  return keep('sit', reads, sit);
}

function sit({ covered, sitting, share, ...reads }: SitReads, keep: Keep): Sat | null {
  return sitPlan(modelFrom(reads, keep), covered, sitting, share);
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
