import { baseGrid, chalkStep, coveredStep, surfaceStep, type Fineness, type HeightGrid, type Model, type Section } from '../padding';
import { giveOf } from '../cloth';
import { foldPlan, skinOf, type FoldPlan, type Skin, type StrainMap } from '../cover';
import type { Give } from '../flattening';
import type { HouseRules } from '../house';
import { PieceProblems, type Piece, type Problem } from '../piece';
import { pocketPlan, sitStep, type PocketPlan, type SitPlan } from '../seat-check';
import { inspectPlan, type Finding, type Goods } from '../inspection';
import { sizesOf, type SizeLine } from '../sizes';
import type { Warning } from '../warning';
import { baseStep, outlineStep, pieceStep, stripStep } from './plan';
import { byHarm } from './mends';
import type { Planner } from './planner';
import {
  boardStep,
  cornersStep,
  coverInput,
  coverStep,
  cutStep,
  fixStep,
  foamStep,
  liningsOf,
  massStep,
  panelsStep,
  roomStep,
  runStep,
  variantsStep,
  wrapsStep,
} from './steps';
import { tidy } from './tidy';
import type { PlanPart, SheetPlan } from '../plan-data';
import { baseWarnings, buildWarnings, coverWarnings, cutWarnings, fixWarnings, ruleWarnings } from './warnings';

/** Everything the sheet shows of a piece. */
export type SheetView = {
  plan: SheetPlan;
  sizes: SizeLine[];
  /** what of the plan cannot be right: an error of the program. Only a settled plan is inspected */
  findings: Finding[];
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
  /** the covered surface with its cloth, where the piece is looked at in the round and it can be laid */
  skin: Skin | null;
  /** a quick look with larger triangles: the settled answer follows */
  preview: boolean;
  /** which parts of the plan it has */
  parts: readonly PlanPart[];
};

/** What a sheet is asked for. */
export type ViewQuestion = {
  piece: Piece;
  house: HouseRules;
  /** parts of the plan that are looked at */
  parts: readonly PlanPart[];
  /** larger triangles and a coarser grid, while something is dragged */
  preview?: boolean;
  /** it is looked at in the round: the cover's surface is wanted too, as large as all the rest */
  round?: boolean;
};

/** Side of a triangle in a picture in the round, mm. */
const SKIN = 14;

const LATER_PARTS: Record<PlanPart, (model: Model, planner: Planner, fineness: Fineness) => Partial<SheetPlan>> = {
  board: (model) => ({ base: { ...baseStep(model), board: boardStep(model) } }),
  strip: (model, _planner, fineness) => ({ strip: stripStep(model, fineness) }),
  cover: (model, planner, fineness) => {
    return { cover: coverStep(model, fineness).cover, ...liningsOf(model, fineness), variants: variantsStep(model, planner) };
  },
  cut: (model, planner, fineness) => ({ cut: cutStep(model, planner, fineness) }),
  fixing: (model, _planner, fineness) => ({ fixing: fixStep(model, fineness) }),
  run: (model, _planner, fineness) => {
    const steps = runStep(model, fineness);
    return { steps, minutes: steps.reduce((sum, step) => sum + step.minutes + step.wait, 0) };
  },
};

/** Warnings of the parts that were asked for. */
const PART_WARNINGS: Partial<Record<PlanPart, (model: Model, planner: Planner, fineness: Fineness) => Warning[]>> = {
  board: (model) => baseWarnings(model),
  cover: (model, _planner, fineness) => coverWarnings(model, fineness),
  cut: cutWarnings,
  fixing: (model, _planner, fineness) => fixWarnings(model, fineness),
};

/** The plan with the parts that were asked for. */
function sheetPlan(model: Model, planner: Planner, parts: readonly PlanPart[], fineness: Fineness): SheetPlan {
  const plan: SheetPlan = {
    schema: 'fovea.plan/1',
    piece: pieceStep(model),
    rules: model.figures,
    outline: outlineStep(model),
    base: baseStep(model),
    room: roomStep(model, fineness),
    panels: panelsStep(model),
    surface: surfaceStep(model, fineness),
    settledWadding: model.wadding,
    stations: wrapsStep(model, fineness),
    corners: cornersStep(model, fineness),
    foam: foamStep(model),
    mass: massStep(model),
    warnings: byHarm([
      ...buildWarnings(model, fineness),
      ...parts.flatMap((part) => PART_WARNINGS[part]?.(model, planner, fineness) ?? []),
      ...ruleWarnings(model),
    ]),
  };
  return parts.reduce((whole, part) => ({ ...whole, ...LATER_PARTS[part](model, planner, fineness) }), plan);
}

function tidyPart({ value }: { key: string; value: object }): unknown {
  return tidy(value);
}

function baseHeights({ stack }: Pick<Model, 'stack'>): ReturnType<typeof baseGrid> {
  return baseGrid(stack);
}

/** Each part of a plan rounded once: what is the same as before is not rounded again. */
function tidied(plan: SheetPlan, { keep }: Model): SheetPlan {
  const entries = Object.entries(plan).map(([key, value]: [string, unknown]) => [
    key,
    typeof value === 'object' && value !== null ? keep('tidied', { key, value }, tidyPart) : tidy(value),
  ]);
  return Object.fromEntries(entries) as SheetPlan;
}

/**
 * Works out the sheet: the parts of the plan that are looked at, and the drawings that go with them. The sitting is asked
 * for apart, by `sitView`.
 *
 * @param question the piece, the house, what is looked at
 * @param planner keeps what did not change
 * @returns the view, or what keeps the piece from being planned
 */
export function sheetView(
  { piece, house, parts, preview = false, round = false }: ViewQuestion,
  planner: Planner,
): { view: SheetView } | { problems: Problem[] } {
  return guarded(piece, house, planner, () => {
    const model = planner.model(piece, house);
    const fineness: Fineness = preview ? 'quick' : 'full';
    const plan = tidied(sheetPlan(model, planner, parts, fineness), model);
    const looked = parts.includes('cover');
    const sizes = sizesOf(plan, piece, house);
    return {
      view: {
        plan,
        sizes,
        findings: preview ? [] : inspected(plan, sizes, model),
        section: chalkStep(model, fineness),
        grid: coveredStep(model, fineness).grid,
        baseGrid: model.keep('base grid', { stack: model.stack }, baseHeights),
        moulded: plan.base.moulded,
        padOutlines: model.pads.map(({ pad, polygon }) => ({ id: pad.id, role: pad.role, points: polygon })),
        strain: looked ? coverStep(model, fineness).maps : [],
        give: giveOf(piece.cloth),
        folds: looked ? foldsOf(model, plan) : [],
        skin: looked && round ? skinOf(coverInput(model, fineness), coverStep(model, fineness), SKIN, model.keep) : null,
        preview,
        parts,
      },
    };
  });
}

/** What its inspection finds of a plan; looked for again only where something of it changed. */
function inspected(plan: SheetPlan, sizes: readonly SizeLine[], { keep }: Model): Finding[] {
  const { warnings: _warnings, ...parts } = plan;
  void _warnings;
  const goods = sizes.map(({ key, label, value, unit, ware }): Goods => ({ key, label, value, unit, ...(ware ? { ware } : {}) }));
  return keep('inspection', { ...parts, goods: JSON.stringify(goods) }, inspection);
}

function inspection({ goods, ...parts }: Omit<SheetPlan, 'warnings'> & { goods: string }): Finding[] {
  return inspectPlan({ plan: { ...parts, warnings: [] }, sizes: JSON.parse(goods) as Goods[] });
}

/** How each corner is folded. */
function foldsOf({ rule }: Model, { corners, stations }: SheetPlan): FoldPlan[] {
  return corners.map((corner) =>
    foldPlan(
      corner,
      stations.find((station) => station.id === corner.station)!,
      rule,
    ),
  );
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
 * @param planner keeps what did not change
 * @returns null where there is nothing to sit on
 */
export function sitView(piece: Piece, house: HouseRules, planner: Planner): { view: SitView | null } | { problems: Problem[] } {
  return guarded(piece, house, planner, () => {
    const model = planner.model(piece, house);
    const sat = sitStep(model);
    if (!sat) return { view: null };
    const { bed, result } = sat;
    const { x0, y0, step, columns, rows } = bed;
    const grid = (values: Float64Array): HeightGrid => ({
      x0,
      y0,
      step,
      columns,
      rows,
      heights: values.map((v, i) => (bed.there[i] ? v : NaN)),
    });
    return {
      view: { sit: sat.plan, pockets: pocketPlan(model), pressure: grid(result.pressure), loaded: grid(result.height) },
    };
  });
}

function guarded<T>(piece: Piece, house: HouseRules, planner: Planner, work: () => T): T | { problems: Problem[] } {
  const problems = planner.check(piece, house);
  if (problems.length > 0) return { problems };
  try {
    return work();
  } catch (error) {
    if (error instanceof PieceProblems) return { problems: error.problems };
    throw error;
  }
}
