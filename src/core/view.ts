import { baseGrid, coveredSurface, modelOf, sectionAtChalk, type HeightGrid, type Section } from './build';
import { giveOf } from './cloth';
import { foldPlan, stationSections, type FoldPlan, type StrainMap } from './cover';
import type { Give } from './flattening';
import type { HouseRules } from './house';
import { checkPiece, PieceProblems, type Piece, type Problem } from './piece';
import { planModel, type Plan } from './plan';
import { pocketPlan, sitPlan, type PocketPlan, type SitPlan } from './sit';
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
  /** what each piece asks of the cloth, over its flat shape, and what the cloth gives */
  strain: StrainMap[];
  give: Give;
  /** how each corner is folded */
  folds: FoldPlan[];
  /** a quick look with larger triangles: the settled answer follows */
  preview: boolean;
};

/**
 * Works out the sheet: the plan, and the drawings that go with it. The sitting is asked for apart, by `sitView`.
 *
 * @param piece the document
 * @param house the workshop's rules
 * @param [preview=false] larger triangles and a coarser grid, while something is dragged
 * @returns the view, or what keeps the piece from being planned
 */
export function sheetView(piece: Piece, house: HouseRules, preview = false): { view: SheetView } | { problems: Problem[] } {
  return guarded(piece, () => {
    const model = modelOf(piece, house);
    const { plan, covered, maps } = planModel(model, false, preview);
    return {
      view: {
        plan,
        slip: slipOf(plan, piece, house),
        section: sectionAtChalk(model, piece.chalk, preview),
        grid: covered.grid,
        baseGrid: baseGrid(model),
        moulded: Boolean(piece.base.mould) || piece.base.shape.type === 'saddle',
        padOutlines: model.pads.map(({ pad, polygon }) => ({ id: pad.id, role: pad.role, points: polygon })),
        strain: maps,
        give: giveOf(piece.cloth),
        folds: plan.corners.map((corner) =>
          foldPlan(
            corner,
            plan.stations.find((station) => station.id === corner.station)!,
            piece.cloth,
            model.rule,
          ),
        ),
        preview,
      },
    };
  });
}

/** A sitting as the sheet shows it: its figures, the pressure on the plan and the loaded surface. */
export type SitView = {
  sit: SitPlan;
  pockets: PocketPlan[];
  /** N/mm² at each node; 0 where nothing presses, NaN off the piece */
  pressure: HeightGrid;
  /** the loaded surface, mm over the reference plane; NaN off the piece */
  loaded: HeightGrid;
};

/**
 * Sits on a piece with the sheet's own figures.
 *
 * @param piece the document
 * @param house the workshop's rules
 * @returns null where there is nothing to sit on
 */
export function sitView(piece: Piece, house: HouseRules): { view: SitView | null } | { problems: Problem[] } {
  return guarded(piece, () => {
    const model = modelOf(piece, house);
    const covered = coveredSurface(model, stationSections(model));
    const sat = sitPlan(model, covered);
    if (!sat) return { view: null };
    const { bed, result } = sat;
    const grid = (values: Float64Array): HeightGrid => ({
      x0: bed.x0,
      y0: bed.y0,
      step: bed.step,
      columns: bed.columns,
      rows: bed.rows,
      heights: values.map((v, i) => (bed.there[i] ? v : NaN)),
    });
    return {
      view: { sit: sat.plan, pockets: pocketPlan(model, house), pressure: grid(result.pressure), loaded: grid(result.height) },
    };
  });
}

function guarded<T>(piece: Piece, work: () => T): T | { problems: Problem[] } {
  const problems = checkPiece(piece);
  if (problems.length > 0) return { problems };
  try {
    return work();
  } catch (error) {
    if (error instanceof PieceProblems) return { problems: error.problems };
    throw error;
  }
}
