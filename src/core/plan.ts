import {
  checkBoard,
  edgeStrips,
  frameCuts,
  panelLayout,
  trimBends,
  type BoardCheck,
  type EdgeStrip,
  type FrameCuts,
  type PanelLayout,
  type TrimBend,
} from './base';
import { coveredSurface, freeHeight, modelOf, surfaceOf, type CoveredSurface, type Model, type Surface } from './build';
import {
  cornerPlans,
  dustCover,
  sewCover,
  stationSections,
  waddingPiece,
  wrapAt,
  type CornerPlan,
  type CoverPiece,
  type CoverPlan,
  type LiningPiece,
  type StationWrap,
  type StrainMap,
} from './cover';
import { cutPlan, foamPieces, type CutPlan, type CutSet, type FoamPiece } from './cut';
import { stapleLeg, staplePlaces, type LegChoice, type StaplePlace } from './fix';
import { BOARDS, findMaterial } from './foam';
import type { HouseRules } from './house';
import { closingOf, outlineArea, outlineSize, perimeter, polygonArea, polygonPerimeter, type Closing, type Polygon } from './outline';
import { checkPiece, kindOf, PieceProblems, type Hardware, type Hole, type Piece, type PieceKind } from './piece';
import { planWarnings, type Warning } from './plan-warnings';
import { runSteps, type Step } from './run';
import { compareOldCover, oldStaples, pressTest, type OldCompared, type OldStaple, type PressVerdict } from './strip';
import { pocketPlan, sitPlan, type PocketPlan, type Sat, type SitPlan } from './sit';
import { tidy } from './tidy';

/** Everything to cut, fix, do and check for a piece. Lengths mm, areas mm², forces N, masses kg, times minutes. */
export type Plan = {
  schema: 'fovea.plan/1';
  piece: { name: string; kind: PieceKind; count: number };
  outline: { width: number; depth: number; perimeter: number; area: number; points: Polygon };
  base: {
    /** how the measurements close, where there was one to spare */
    closing: Closing | null;
    /** what the near and far edges are called */
    words: readonly [near: string, far: string];
    holes: Hole[];
    hardware: Hardware[];
    thickness: number;
    board: BoardCheck;
    strips: EdgeStrip[];
    trims: TrimBend[];
    frame: FrameCuts | null;
  };
  /** panels laid out on a wall, for a panelled piece */
  panels: PanelLayout | null;
  strip: { press: PressVerdict | null; oldCover: OldCompared[]; staples: OldStaple[] };
  /** pieces of the set made to an outline of their own */
  variants: VariantPlan[];
  surface: Surface;
  /** what the sitter of this piece finds; null without padding, or where it was not asked for */
  sit: SitPlan | null;
  pockets: PocketPlan[];
  stations: StationWrap[];
  corners: CornerPlan[];
  cover: CoverPlan;
  foam: FoamPiece[];
  wadding: (LiningPiece & { thickness: number }) | null;
  dustCover: LiningPiece & { finishedWidth: number; finishedHeight: number };
  cut: CutPlan;
  fixing: {
    fastener: { kind: 'staple'; leg: number; crown: 'narrow' | 'broad'; choice: LegChoice };
    pitch: number;
    /** staples in one piece, the dust cover's included */
    count: number;
    /** to buy for the set, spare included */
    toBuy: number;
    order: StaplePlace[];
  };
  mass: { board: number; foam: number; total: number };
  /** for one piece of the set */
  steps: Step[];
  minutes: number;
  warnings: Warning[];
};

/** What is different for a piece of the set whose base was measured differently. */
export type VariantPlan = {
  id: string;
  name: string;
  count: number;
  outline: { width: number; depth: number; points: Polygon };
  covers: CoverPiece[];
  foam: FoamPiece[];
  wadding: LiningPiece | null;
  dustCover: LiningPiece;
};

/** kg in a volume of mm³ at a density in kg/m³. */
function mass(volume: number, density: number): number {
  return (volume / 1e9) * density;
}

/** Volume of the built stack, mm³: carved edges are counted by sampling on a 40 × 40 grid. */
function foamMass(model: Model): number {
  return model.pads.reduce((sum, built) => {
    const area = polygonArea(built.polygon);
    const share = built.pad.edge.kind === 'square' ? 1 : carvedShare(model, built);
    return sum + mass(area * built.pad.thickness * share, built.foam.density);
  }, 0);
}

function carvedShare(model: Model, built: Model['pads'][number]): number {
  const alone = { ...model, pads: [built] };
  const cells = 40;
  let inside = 0;
  let height = 0;
  const xs = built.polygon.map(([x]) => x);
  const ys = built.polygon.map(([, y]) => y);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  for (let i = 0; i < cells; i++) {
    for (let j = 0; j < cells; j++) {
      const z = freeHeight(alone, [x0 + ((i + 0.5) * (x1 - x0)) / cells, y0 + ((j + 0.5) * (y1 - y0)) / cells]);
      if (z > 0) [inside, height] = [inside + 1, height + z];
    }
  }
  return inside > 0 ? height / inside / built.pad.thickness : 1;
}

/** Cloth, wadding and fasteners add about this much to what a panel hangs with. */
const DRESSED = 1.1;

/** Cells across the covered surface: of the piece itself, of one that differs, of a quick look. */
const CELLS = { own: 64, variant: 48, quick: 32 };

/** The flat pieces of every outline in the set that is not the piece's own. */
function variantPlans(model: Model): VariantPlan[] {
  return (model.piece.variants ?? []).map((variant) => {
    const piece: Piece = { ...model.piece, count: variant.count, variants: [], base: { ...model.piece.base, shape: variant.shape } };
    const own = modelOf(piece, model.house);
    const sections = stationSections(own);
    const stations = sections.map((station) => wrapAt(own, station));
    const { cover } = sewCover(own, sections, stations, coveredSurface(own, sections, CELLS.variant), true);
    const named = <T extends { name: string }>(flat: T): T => ({ ...flat, name: `${flat.name}, ${variant.name}` });
    const wadding = waddingPiece(own, stations);
    return {
      id: variant.id,
      name: variant.name,
      count: variant.count,
      outline: { ...outlineSize(own.outline), points: own.board },
      covers: cover.pieces.map(named),
      foam: foamPieces(own).map((pad) => ({ ...pad, pad: `${pad.pad}, ${variant.name}` })),
      wadding: wadding && named(wadding),
      dustCover: named(dustCover(own)),
    };
  });
}

/**
 * Plans a piece: the front door of the core.
 *
 * @param piece the document
 * @param house the workshop's rules, by key; missing ones stand at their defaults
 * @param [options] `sits: false` leaves the sitting out; `coarse: true` takes larger triangles
 * @throws PieceProblems when the piece cannot be planned, with every place that is wrong
 */
export function planPiece(piece: Piece, house: HouseRules, options: { sits?: boolean; coarse?: boolean } = {}): Plan {
  const problems = checkPiece(piece);
  if (problems.length > 0) throw new PieceProblems(problems);
  return planModel(modelOf(piece, house), options.sits ?? true, options.coarse ?? false).plan;
}

/** A plan with the solutions its figures are read from. */
export type Planned = { plan: Plan; covered: CoveredSurface; sat: Sat | null; maps: StrainMap[] };

/**
 * The same from a model that is already built, for callers that need the model too.
 *
 * @param model from `modelOf`, of a checked piece
 * @param [sits=true] whether to sit on it too; a sheet asks for that afterwards
 * @param [coarse=false] larger triangles and a coarser grid, for a picture while something is dragged
 */
export function planModel(model: Model, sits = true, coarse = false): Planned {
  const { rule } = model;
  const document = model.piece;
  const differing = (document.variants ?? []).reduce((sum, variant) => sum + variant.count, 0);
  // What is cut to the piece's own outline is for those of the set that do not differ.
  const own = { ...model, piece: { ...document, count: document.count - differing } };
  const { piece } = model;
  const sections = stationSections(model, coarse);
  const stations = sections.map((station) => wrapAt(model, station));
  const covered = coveredSurface(model, sections, coarse ? CELLS.quick : CELLS.own);
  const surface = surfaceOf(model, covered, sections, coarse);
  const sat = sits ? sitPlan(model, covered) : null;
  const corners = cornerPlans(model, stations);
  const { cover, maps } = sewCover(own, sections, stations, covered, coarse);
  const wadding = waddingPiece(own, stations);
  const dust = dustCover(own);
  const foam = foamPieces(own);
  const variants = variantPlans(model);
  const sets: CutSet[] = [
    { count: own.piece.count, foam, covers: cover.pieces, wadding, dust },
    ...variants.map((v) => ({ count: v.count, foam: v.foam, covers: v.covers, wadding: v.wadding, dust: v.dustCover })),
  ];
  const cut = cutPlan(model, sets, cover);
  const leg = stapleLeg(piece.cloth.thickness, piece.base.board.thickness, { bite: rule('stapleBite'), clear: rule('stapleClear') });
  const order = staplePlaces(model, corners);
  const dustStaples = Math.ceil(polygonPerimeter(dust.outline) / (2 * rule('staplePitch')));
  const count = order.length + dustStaples;
  const steps = runSteps(model, {
    foam,
    cover,
    wadding,
    corners,
    staples: order.filter((s) => s.kind !== 'corner').length,
    leg: leg.leg,
    dustStaples,
  });
  const boardMass = mass(outlineArea(model.outline) * model.boardThickness, findMaterial(BOARDS, piece.base.board.material)!.density);
  const padMass = foamMass(model);
  const board = checkBoard(piece, model.outline, model.middle, rule);
  const panels = piece.panels ? panelLayout(piece.panels, (boardMass + padMass) * DRESSED) : null;
  const staples = oldStaples(piece.strip, piece.base.board.thickness, rule('stapleClear'));
  const plan = tidy<Plan>({
    schema: 'fovea.plan/1',
    piece: { name: piece.name, kind: piece.kind, count: piece.count },
    outline: { ...outlineSize(model.outline), perimeter: perimeter(model.outline), area: outlineArea(model.outline), points: model.board },
    base: {
      closing: closingOf(piece.base.shape),
      words: kindOf(piece.kind).words,
      holes: piece.base.holes ?? [],
      hardware: piece.base.hardware ?? [],
      thickness: piece.base.board.thickness,
      board,
      strips: edgeStrips(model.outline, piece.base.edges ?? []),
      trims: trimBends(model.outline, piece.base.edges ?? [], piece.base.board.material),
      frame: piece.base.frame ? frameCuts(model.outline, piece.base.frame) : null,
    },
    panels,
    strip: {
      press: piece.strip?.press ? pressTest(piece.strip.press) : null,
      oldCover: compareOldCover(piece, model.house, cover.pieces, stations),
      staples,
    },
    variants,
    surface,
    sit: sat?.plan ?? null,
    pockets: sits ? pocketPlan(model, model.house) : [],
    stations,
    corners,
    cover,
    foam,
    wadding: wadding && { ...wadding, thickness: model.wadding },
    dustCover: dust,
    cut,
    fixing: {
      fastener: { kind: 'staple', leg: leg.leg, crown: piece.cloth.coated ? 'broad' : 'narrow', choice: leg },
      pitch: rule('staplePitch'),
      count,
      toBuy: Math.ceil(count * piece.count * (1 + rule('stapleSpare') / 100) - 1e-9),
      order,
    },
    mass: { board: boardMass, foam: padMass, total: boardMass + padMass },
    steps,
    minutes: steps.reduce((sum, step) => sum + step.minutes + step.wait, 0),
    warnings: planWarnings(model, { stations, foam, cut, leg, board, panels, staples, surface, sit: sat?.plan ?? null, cover }),
  });
  return { plan, covered, sat, maps };
}
