import { coveredSurface, modelOf, surfaceOf, type CoveredSurface, type Model, type Surface } from '../build';
import { stationSections, type StationSection } from '../cover';
import type { HouseRules } from '../house';
import type { Piece, Sitting } from '../piece';
import { sitPlan, type Sat } from './sit-plan';
import { sittingOf } from './sitting';

/** A piece covered and sat on. */
export type SolvedPiece = { model: Model; sections: StationSection[]; covered: CoveredSurface; surface: Surface; sat: Sat | null };

/** A trial needs no finer grid than this over its longer side. */
const TRIAL = 40;

/**
 * Covers a piece and sits on it, for trials: larger triangles and a coarser grid than the sheet's own.
 *
 * @param piece a checked piece
 * @param house the workshop's rules
 * @param [sitting] who sits, if not the piece's own
 * @param [fine=false] with the sheet's own triangles and grid
 * @throws PieceProblems when the piece cannot be built
 */
export function solvePiece(piece: Piece, house: HouseRules, sitting?: Sitting, fine = false): SolvedPiece {
  const model = modelOf(piece, house);
  const sections = stationSections(model, !fine);
  const covered = coveredSurface(model, sections, fine ? undefined : TRIAL);
  return {
    model,
    sections,
    covered,
    surface: surfaceOf(model, covered, sections, !fine),
    sat: sitPlan(model, covered, sitting ?? sittingOf(model)),
  };
}
