import { coursesOf, deckPlan, edgeStrips, frameCuts, isMoulded, trimBends } from '../base';
import { surfaceStep, type Fineness, type Model } from '../padding';
import { gunLegs } from '../fastening';
import type { HouseRules } from '../house';
import { closingOf, outlineArea, outlineSize, perimeter } from '../outline';
import { kindOf, PieceProblems, type Piece } from '../piece';
import { sitStep } from '../seat-check';
import { compareOldCover, goesBack, oldStaples, pressTest } from '../strip';
import { createPlanner, type Planner } from './planner';
import {
  boardStep,
  cornersStep,
  coverStep,
  cutStep,
  fixStep,
  foamStep,
  liningsOf,
  massStep,
  panelsStep,
  roomStep,
  pocketsStep,
  runStep,
  variantsStep,
  wrapsStep,
} from './steps';
import { tidy } from './tidy';
import type { Plan } from '../plan-data';
import { planWarnings } from './warnings';

/** What of a piece is known without solving anything. */
export function pieceStep({ piece }: Model): Plan['piece'] {
  return { name: piece.name, kind: piece.kind, count: piece.count };
}

/** The base's outline in figures. */
export function outlineStep({ stack, keep }: Model): Plan['outline'] {
  return keep('outline in figures', { stack }, outlineFigures);
}

function outlineFigures({ stack: { outline, board } }: Pick<Model, 'stack'>): Plan['outline'] {
  return { ...outlineSize(outline), perimeter: perimeter(outline), area: outlineArea(outline), points: board };
}

/** The base without its board under load. */
export function baseStep({ piece, outline, board, edgeThickness }: Model): Omit<Plan['base'], 'board'> {
  const { base } = piece;
  const edges = base.edges ?? [];
  return {
    closing: closingOf(base.shape),
    words: kindOf(piece.kind).words,
    holes: base.holes ?? [],
    hardware: base.hardware ?? [],
    thickness: base.board.thickness,
    edgeThickness,
    moulded: isMoulded(base),
    strips: edgeStrips(outline, edges),
    trims: trimBends(outline, edges, base.board.material),
    frame: base.frame ? frameCuts(outline, base.frame) : null,
    deck: deckPlan(board, base),
    courses: coursesOf(board, base),
  };
}

/** What came off, judged, beside what is made. */
export function stripStep(model: Model, fineness: Fineness): Plan['strip'] {
  const { piece, rule, house } = model;
  const { strip } = piece;
  const pieces = strip?.cover.length ? coverStep(model, fineness).cover.pieces : [];
  return {
    press: strip?.press ? pressTest(strip.press) : null,
    oldCover: pieces.length > 0 ? compareOldCover(piece, house, pieces, wrapsStep(model, fineness)) : [],
    back: pieces.length > 0 ? goesBack(piece, pieces) : [],
    staples: oldStaples(strip, piece.base.board.thickness, rule('stapleClear'), { legs: gunLegs(rule), crown: rule('gunCrown') }),
  };
}

/** What a plan is asked for. */
export type PlanOptions = {
  /** false leaves the sitting out */
  sits?: boolean;
  /** larger triangles */
  coarse?: boolean;
  planner?: Planner;
};

/**
 * Plans a piece: the front door of the core.
 *
 * @param piece the document
 * @param house the workshop's rules, by key; missing ones stand at their defaults
 * @param [options] what is left out, and a planner that has planned before
 * @throws PieceProblems when the piece cannot be planned, with every place that is wrong
 */
export function planPiece(
  piece: Piece,
  house: HouseRules,
  { sits = true, coarse = false, planner = createPlanner() }: PlanOptions = {},
): Plan {
  const problems = planner.check(piece, house);
  if (problems.length > 0) throw new PieceProblems(problems);
  const model = planner.model(piece, house);
  const fineness: Fineness = coarse ? 'quick' : 'full';
  const sat = sits ? sitStep(model, fineness) : null;
  const steps = runStep(model, fineness);
  return tidy<Plan>({
    schema: 'fovea.plan/1',
    piece: pieceStep(model),
    rules: model.figures,
    outline: outlineStep(model),
    base: { ...baseStep(model), board: boardStep(model) },
    room: roomStep(model, fineness),
    panels: panelsStep(model),
    strip: stripStep(model, fineness),
    variants: variantsStep(model, planner),
    surface: surfaceStep(model, fineness),
    settledWadding: model.wadding,
    sit: sat?.plan ?? null,
    pockets: sits ? pocketsStep(model) : [],
    stations: wrapsStep(model, fineness),
    corners: cornersStep(model, fineness),
    cover: coverStep(model, fineness).cover,
    foam: foamStep(model),
    ...liningsOf(model, fineness),
    cut: cutStep(model, planner, fineness),
    fixing: fixStep(model, fineness),
    mass: massStep(model),
    steps,
    minutes: steps.reduce((sum, step) => sum + step.minutes + step.wait, 0),
    warnings: planWarnings(model, planner, fineness, sat?.plan ?? null),
  });
}
