import { checkBoard, frameCuts, frameMass, isSawn, panelLayout, roomFor, type BoardCheck, type PanelLayout } from '../base';
import {
  coveredSize,
  coveredStep,
  foamMass,
  holesArea,
  massOf,
  modelFrom,
  sectionsStep,
  type CoveredSize,
  type Fineness,
  type Model,
  type ModelReads,
  type StationSection,
} from '../padding';
import {
  choicesOf,
  cornerFields,
  cornerPlans,
  coverFields,
  dustCover,
  liningFields,
  reliefPlan,
  sewCover,
  wayOf,
  waddingPiece,
  wrapAt,
  wrapFields,
  type CornerFields,
  type CornerPlan,
  type CoverFields,
  type CoverInput,
  type CoverPlan,
  type LiningFields,
  type LiningPiece,
  type SewnCover,
  type StationWrap,
  type WrapFields,
} from '../cover';
import { cutPlan, foamPieces, type CutFields, type CutPlan, type CutSet, type FoamFields, type FoamPiece } from '../foam-cutting';
import { fixFields, fixPlan, rowInset, type Fastening, type FixFields, type Fixing } from '../fastening';
import { BOARDS, findMaterial } from '../foam';
import { readerOf, type HouseRules } from '../house';
import type { Keep } from '../keep';
import { bounds, outlineArea, outlineSize, type Polygon } from '../outline';
import { cutCloths, fieldsOf, type Piece } from '../piece';
import { keptLayers, newOf } from '../strip';
import { runSteps, type Step } from '../run-sheet';
import { pocketPlan, type PocketPlan } from '../seat-check';
import type { Plan, VariantPlan } from '../plan-data';

/**
 * The steps of a plan, each a plain function of what it reads and kept by that. Nothing is worked out before it is asked
 * for: a step asks for the steps it hangs on.
 */

/** Of a planner, the steps want only that it builds the pieces of a set that are measured differently. */
type Models = { model: (piece: Piece, house: HouseRules) => Model };

/** Cloth, wadding and fasteners add about this much to what a panel hangs with. */
const DRESSED = 1.1;

/** What the cover measures at every station. */
export function wrapsStep(model: Model, fineness: Fineness = 'full'): StationWrap[] {
  const sections = sectionsStep(model, fineness);
  const { stack, figures, piece } = model;
  return model.keep('wraps', { stack, figures, piece: wrapFields(piece), sections }, wraps);
}

function wraps({ sections, ...reads }: ModelReads<WrapFields> & { sections: StationSection[] }, keep: Keep): StationWrap[] {
  const model = modelFrom(reads, keep);
  return sections.map((section) => wrapAt(model, section));
}

/** What is done at every corner. */
export function cornersStep(model: Model, fineness: Fineness = 'full'): CornerPlan[] {
  const { stack, piece, figures, keep } = model;
  return keep('corners', { stack, figures, piece: cornerFields(piece), wraps: wrapsStep(model, fineness) }, corners);
}

type Wraps = { wraps: StationWrap[] };

function corners({ wraps, ...reads }: ModelReads<CornerFields> & Wraps, keep: Keep): CornerPlan[] {
  return cornerPlans(modelFrom(reads, keep), wraps);
}

/** The pieces of the set that are made to the piece's own outline. */
export function ownModel(model: Model): Model {
  const differing = (model.piece.variants ?? []).reduce((sum, variant) => sum + variant.count, 0);
  return differing === 0 ? model : { ...model, piece: { ...model.piece, count: model.piece.count - differing } };
}

/** Where the linings are stapled: each on a row of its own. */
function rowsStep(model: Model): CoverInput['rows'] {
  const choices = choicesOf(model.piece.covering);
  return { liner: rowInset(model, choices, 'liner'), waterproof: rowInset(model, choices, 'waterproof') };
}

/** What a cover is made from. */
export function coverInput(whole: Model, fineness: Fineness): Omit<CoverInput, 'model'> & { model: Model } {
  const model = ownModel(whole);
  return {
    model,
    sections: sectionsStep(model, fineness),
    covered: coveredStep(model, fineness),
    stations: wrapsStep(model, fineness),
    corners: cornersStep(model, fineness),
    rows: rowsStep(model),
    coarse: fineness !== 'full',
  };
}

/** The cover: flat pieces and all that is sewn into them. */
export function coverStep(whole: Model, fineness: Fineness = 'full'): SewnCover {
  const { model, ...solved } = coverInput(whole, fineness);
  const { stack, figures, piece, keep } = model;
  const sewn = keep('cover', { stack, figures, piece: coverFields(piece), ...solved }, sewnCover);
  // Cached by itself too: what is worked out from the flat pieces then knows them again without reading them through.
  keep('flat pieces', { sewn }, flatPieces);
  return sewn;
}

function sewnCover({ stack, figures, piece, ...solved }: ModelReads<CoverFields> & Omit<CoverInput, 'model'>, keep: Keep): SewnCover {
  return sewCover({ model: modelFrom({ stack, figures, piece }, keep), ...solved });
}

function flatPieces({ sewn }: { sewn: SewnCover }): SewnCover['cover'] {
  return sewn.cover;
}

/** The foam pieces to cut. */
export function foamStep(whole: Model): FoamPiece[] {
  const model = ownModel(whole);
  const { stack, figures, piece, keep } = model;
  return keep('foam pieces', { stack, figures: fieldsOf(figures, 'foamOversize'), piece: fieldsOf(piece, 'pads', 'count') }, foam);
}

function foam(reads: ModelReads<FoamFields, 'foamOversize'>, keep: Keep): FoamPiece[] {
  return foamPieces(modelFrom(reads, keep));
}

type Linings = { wadding: LiningPiece | null; dust: Plan['dustCover'] };

/** Wadding and dust cover. */
export function liningsStep(whole: Model, fineness: Fineness = 'full'): Linings {
  const { stack, figures, piece, keep } = ownModel(whole);
  return keep('linings', { stack, figures, piece: liningFields(piece), wraps: wrapsStep(whole, fineness) }, linings);
}

/** The same as a plan carries them: the wadding as thick as the cover leaves it. */
export function liningsOf(model: Model, fineness: Fineness = 'full') {
  const { wadding, dust } = liningsStep(model, fineness);
  return { wadding: wadding && { ...wadding, thickness: model.wadding }, dustCover: dust };
}

function linings({ wraps, ...reads }: ModelReads<LiningFields> & Wraps, keep: Keep): Linings {
  const model = modelFrom(reads, keep);
  return { wadding: waddingPiece(model, wraps), dust: dustCover(model) };
}

/** The flat pieces of every outline in the set that is not the piece's own. */
export function variantsStep(model: Model, planner: Models): VariantPlan[] {
  return (model.piece.variants ?? []).map((variant): VariantPlan => {
    const { variants: _variants, ...rest } = model.piece;
    void _variants;
    const piece: Piece = { ...rest, count: variant.count, base: { ...model.piece.base, shape: variant.shape } };
    const item = planner.model(piece, model.house);
    const { cover } = coverStep(item, 'variant');
    const { wadding, dust } = liningsStep(item, 'variant');
    const named = <T extends { name: string }>(flat: T): T => ({ ...flat, name: `${flat.name}, ${variant.name}` });
    return {
      id: variant.id,
      name: variant.name,
      count: variant.count,
      outline: { ...outlineSize(item.outline), points: item.board },
      covers: cover.pieces.map(named),
      foam: foamStep(item).map((pad) => ({ ...pad, pad: `${pad.pad}, ${variant.name}` })),
      wadding: wadding && named(wadding),
      dustCover: dust && named(dust),
    };
  });
}

/** The whole set laid out on sheets and rolls. */
export function cutStep(model: Model, planner: Models, fineness: Fineness = 'full'): CutPlan {
  const item = ownModel(model);
  const { cover: whole } = coverStep(model, fineness);
  const cover = newOf(whole, model.piece);
  const foam = foamStep(model);
  const { wadding, dust } = liningsStep(model, fineness);
  const variants = variantsStep(model, planner);
  const retained = keptLayers(model.piece);
  const board =
    isSawn(model.piece.base) && !wayOf(model.piece.covering.way).loose ? fieldsOf(model.piece.base.board, 'material', 'thickness') : null;
  const sawn = (label: string, outline: Polygon): CutSet['board'] => board && { label, outline };
  const sets: CutSet[] = [
    { count: item.piece.count, foam, covers: cover.pieces, wadding, dust, board: sawn('Board', model.board) },
    ...variants.map((v) => ({
      count: v.count,
      foam: v.foam,
      covers: v.covers,
      wadding: v.wadding,
      dust: v.dustCover,
      board: sawn(`Board, ${v.name}`, v.outline.points),
    })),
  ].map((set) => ({ ...set, wadding: retained.has('wadding') ? null : set.wadding, dust: retained.has('dust') ? null : set.dust }));
  const { count, covering } = model.piece;
  const piece: CutFields = { count, covering: fieldsOf(covering, 'matched'), ...cutCloths(model.piece), board };
  const goesBack = [
    ...[...whole.pieces.filter((part) => !cover.pieces.includes(part)), ...whole.linings.filter((part) => !cover.linings.includes(part))],
    ...(wadding && retained.has('wadding') ? [wadding] : []),
    ...(dust && retained.has('dust') ? [dust] : []),
  ].map(({ name }) => name);
  return model.keep('cut', { figures: model.figures, piece, sets, cover, goesBack }, cut);
}

type CutReads = Pick<ModelReads<CutFields>, 'figures' | 'piece'> & { sets: CutSet[]; cover: CoverPlan; goesBack: string[] };

function cut({ figures, piece, sets, cover, goesBack }: CutReads): CutPlan {
  return { ...cutPlan({ piece, rule: readerOf(figures) }, sets, cover), goesBack };
}

/** What fasteners are chosen and placed for. */
export function fasteningOf(model: Model, fineness: Fineness = 'full'): Fastening & { model: Model } {
  const { way: _way, ...choices } = choicesOf(model.piece.covering);
  void _way;
  const { stack, figures, piece, keep } = model;
  const reads = { stack, figures, piece: coverFields(piece), wraps: wrapsStep(model, fineness) };
  return { model, choices, corners: cornersStep(model, fineness), relief: keep('relief', reads, relief) };
}

function relief({ wraps, ...reads }: ModelReads<CoverFields> & Wraps, keep: Keep): Fastening['relief'] {
  return reliefPlan(modelFrom(reads, keep), wraps);
}

/** Which fasteners, how many, where, in which order. */
export function fixStep(model: Model, fineness: Fineness = 'full'): Fixing {
  const { stack, figures, piece, keep } = model;
  const { model: _whole, ...fastening } = fasteningOf(model, fineness);
  void _whole;
  const panels = panelsStep(model);
  return keep('fixing', { stack, figures, piece: fixFields(piece), ...fastening, panels }, fixing);
}

type FixReads = ModelReads<FixFields> & Omit<Fastening, 'model'> & { panels: PanelLayout | null };

function fixing({ stack, figures, piece, panels, ...fastening }: FixReads, keep: Keep): Fixing {
  return fixPlan({ model: modelFrom({ stack, figures, piece }, keep), ...fastening }, panels);
}

/** The run sheet. */
export function runStep(model: Model, fineness: Fineness = 'full'): Step[] {
  const { wadding, dust } = liningsStep(model, fineness);
  const { cover } = coverStep(model, fineness);
  return runSteps({
    fastening: fasteningOf(model, fineness),
    foam: foamStep(model),
    cover,
    wadding,
    dust,
    panels: panelsStep(model),
  });
}

/** The board under its load. */
export function boardStep(model: Model): BoardCheck {
  const { piece, outline, middle, rule, keep } = model;
  return checkBoard({ piece, outline, at: middle, rule, keep });
}

function massOfFoam({ stack }: Pick<Model, 'stack'>): number {
  return foamMass(stack);
}

function sizeCovered({ sections, beyond }: { sections: StationSection[]; beyond: number }): CoveredSize {
  return coveredSize(sections, beyond);
}

/** What the piece weighs, without its cloth. */
export function massStep(model: Model): Plan['mass'] {
  const { stack, piece, keep } = model;
  const foam = keep('foam mass', { stack }, massOfFoam);
  const density = findMaterial(BOARDS, piece.base.board.material)!.density;
  const board = massOf((outlineArea(model.outline) - holesArea(piece.base.holes ?? [])) * model.boardThickness, density);
  const frame = piece.base.frame ? frameMass(frameCuts(model.outline, piece.base.frame)) : 0;
  return { board, foam, frame, total: board + foam + frame };
}

/** How large it is covered, and how that goes into what it goes between. */
export function roomStep(model: Model, fineness: Fineness = 'full'): Plan['room'] {
  const { piece, keep } = model;
  const sections = sectionsStep(model, fineness);
  const { welt } = choicesOf(piece.covering);
  const cord = welt?.lower ? welt.cord : 0;
  const beyond = piece.cloth.thickness + cord;
  const covered = keep('covered size', { sections, beyond }, sizeCovered);
  return { covered, opening: piece.base.opening ? roomFor(piece.base.opening, covered) : null };
}

/** Panels on their wall. */
export function panelsStep(model: Model): PanelLayout | null {
  const { panels, base } = model.piece;
  if (!panels) return null;
  const depth = base.board.thickness + (base.frame?.thickness ?? 0);
  return panelLayout(panels, massStep(model).total * DRESSED, { height: bounds(model.board).height, depth });
}

/** What pockets do: each sat on with and without. */
export function pocketsStep(model: Model): PocketPlan[] {
  return pocketPlan(model);
}
