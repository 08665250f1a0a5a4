import { baseGrid, coveredGrid, modelOf, sectionAtChalk, type HeightGrid, type Section } from './build';
import type { HouseRules } from './house';
import { checkPiece, PieceProblems, type Piece, type Problem } from './piece';
import { planModel, type Plan } from './plan';
import { slipOf, type SlipLine } from './slip';

/** Everything the sheet shows of a piece. */
export type SheetView = {
  plan: Plan;
  slip: SlipLine[];
  section: Section | null;
  grid: HeightGrid;
  /** the board's own top face, coarsely, for the round view */
  baseGrid: HeightGrid;
  /** whether the board is not flat */
  moulded: boolean;
  padOutlines: { id: string; role: string; points: readonly (readonly [number, number])[] }[];
};

/**
 * Works out the sheet: the plan, and the drawings that go with it.
 *
 * @param piece the document
 * @param house the workshop's rules
 * @returns the view, or what keeps the piece from being planned
 */
export function sheetView(piece: Piece, house: HouseRules): { view: SheetView } | { problems: Problem[] } {
  const problems = checkPiece(piece);
  if (problems.length > 0) return { problems };
  try {
    const model = modelOf(piece, house);
    const plan = planModel(model);
    return {
      view: {
        plan,
        slip: slipOf(plan, piece, house),
        section: sectionAtChalk(model, piece.chalk),
        grid: coveredGrid(model),
        baseGrid: baseGrid(model),
        moulded: Boolean(piece.base.mould) || piece.base.shape.type === 'saddle',
        padOutlines: model.pads.map(({ pad, polygon }) => ({ id: pad.id, role: pad.role, points: polygon })),
      },
    };
  } catch (error) {
    if (error instanceof PieceProblems) return { problems: error.problems };
    throw error;
  }
}
