import { checkBoard, frameCuts, frameMass, panelLayout, roomFor, type BoardCheck, type PanelLayout } from '../base';
import { coveredSize, coveredStep, foamMass, holesArea, massOf, sectionsStep, type Fineness, type Model } from '../build';
import {
  choicesOf,
  cornerPlans,
  dustCover,
  reliefPlan,
  sewCover,
  waddingPiece,
  wrapAt,
  type CornerPlan,
  type CoverInput,
  type LiningPiece,
  type SewnCover,
  type StationWrap,
} from '../cover';
import { cutPlan, foamPieces, type CutPlan, type CutSet, type FoamPiece } from '../cut';
import { fixPlan, rowInset, type Fastening, type Fixing } from '../fix';
import { BOARDS, findMaterial } from '../foam';
import type { HouseRules } from '../house';
import { bounds, outlineArea, outlineSize } from '../outline';
import type { Piece } from '../piece';
import { keptLayers, newOf } from '../strip';
import { runSteps, type Step } from '../run';
import { pocketPlan, type PocketPlan } from '../sit';
import type { Plan, VariantPlan } from './types';

/**
 * The steps of a plan, each a plain function of what it reads and kept by that. Nothing is worked out before it is asked
 * for: a step asks for the steps it hangs on.
 */

/** Of a planner, the steps want only that it builds the pieces of a set that are measured differently. */
type Models = { model: (piece: Piece, house: HouseRules) => Model };

/** Cloth, wadding and fasteners add about this much to what a panel hangs with. */
const DRESSED = 1.1;

/** What the cover measures at every station. */
export function wrapsStep(model: Model, fineness: Fineness = 'own'): StationWrap[] {
  const sections = sectionsStep(model, fineness);
  const { way, channels } = choicesOf(model.piece.covering);
  const backing = way.pulled && channels ? channels.backing : 0;
  const edges = model.piece.base.edges ?? [];
  const ends = way.pulled && edges.some(({ end, short }) => end || short) ? edges : null;
  return model.keep('wraps', [sections, model.rule('return'), model.rule('grip'), backing, ends], () =>
    sections.map((section) => wrapAt(model, section)),
  );
}

/** What is done at every corner. */
export function cornersStep(model: Model, fineness: Fineness = 'own'): CornerPlan[] {
  const { stack, piece, figures, keep } = model;
  const wraps = wrapsStep(model, fineness);
  return keep('corners', [stack, wraps, piece.cloth, piece.covering.way, figures], () => cornerPlans(model, wraps));
}

/** What of the cloths matters to how they are cut and sewn. */
function clothRead({ cloth, second: other }: Piece): unknown {
  return [cloth, other ?? null].map((own) => {
    if (!own) return null;
    const { price: _price, name: _name, certificate: _certificate, colour: _colour, second: _second, figure: _figure, ...read } = own;
    void [_price, _name, _certificate, _colour, _second, _figure];
    return read;
  });
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
export function coverInput(whole: Model, fineness: Fineness): CoverInput {
  const model = ownModel(whole);
  return {
    model,
    sections: sectionsStep(model, fineness),
    covered: coveredStep(model, fineness),
    stations: wrapsStep(model, fineness),
    corners: cornersStep(model, fineness),
    rows: rowsStep(model),
    coarse: fineness !== 'own',
  };
}

/** The cover: flat pieces and all that is sewn into them. */
export function coverStep(whole: Model, fineness: Fineness = 'own'): SewnCover {
  const input = coverInput(whole, fineness);
  const { model, sections, covered, stations, corners, rows, coarse } = input;
  const { stack, piece, figures, keep } = model;
  const reads = [stack, sections, covered, stations, corners, figures, piece.covering, clothRead(piece), piece.kind, piece.count];
  const base = [
    piece.base.notches ?? null,
    piece.base.edges ?? null,
    piece.wadding,
    piece.strip?.meet ?? null,
    piece.base.hidden ?? null,
    piece.loose ?? null,
  ];
  const sewn = keep('cover', [...reads, ...base, rows, coarse], () => sewCover(input));
  // Kept by itself too: what is worked out from the flat pieces then knows them again without reading them through.
  keep('flat pieces', [sewn], () => sewn.cover);
  return sewn;
}

/** The foam pieces to cut. */
export function foamStep(whole: Model): FoamPiece[] {
  const model = ownModel(whole);
  return model.keep('foam pieces', [model.stack, model.piece.pads, model.piece.count, model.rule('foamOversize')], () => foamPieces(model));
}

/** Wadding and dust cover. */
export function liningsStep(whole: Model, fineness: Fineness = 'own'): { wadding: LiningPiece | null; dust: Plan['dustCover'] } {
  const model = ownModel(whole);
  const { stack, figures, piece, keep } = model;
  const stations = wrapsStep(model, fineness);
  const { kind, count, wadding, covering, base } = piece;
  const reads = [stack, stations, figures, kind, count, wadding, covering.way, covering.edgeTape ?? false, base.edges ?? null];
  return keep('linings', reads, () => ({
    wadding: waddingPiece(model, stations),
    dust: dustCover(model),
  }));
}

/** The flat pieces of every outline in the set that is not the piece's own. */
export function variantsStep(model: Model, planner: Models): VariantPlan[] {
  return (model.piece.variants ?? []).map((variant): VariantPlan => {
    const { variants: _variants, ...rest } = model.piece;
    void _variants;
    const piece: Piece = { ...rest, count: variant.count, base: { ...model.piece.base, shape: variant.shape } };
    const own = planner.model(piece, model.house);
    const { cover } = coverStep(own, 'variant');
    const { wadding, dust } = liningsStep(own, 'variant');
    const named = <T extends { name: string }>(flat: T): T => ({ ...flat, name: `${flat.name}, ${variant.name}` });
    return {
      id: variant.id,
      name: variant.name,
      count: variant.count,
      outline: { ...outlineSize(own.outline), points: own.board },
      covers: cover.pieces.map(named),
      foam: foamStep(own).map((pad) => ({ ...pad, pad: `${pad.pad}, ${variant.name}` })),
      wadding: wadding && named(wadding),
      dustCover: dust && named(dust),
    };
  });
}

/** The whole set laid out on sheets and rolls. */
export function cutStep(model: Model, planner: Models, fineness: Fineness = 'own'): CutPlan {
  const own = ownModel(model);
  const { cover: whole } = coverStep(model, fineness);
  const cover = newOf(whole, model.piece);
  const foam = foamStep(model);
  const { wadding, dust } = liningsStep(model, fineness);
  const variants = variantsStep(model, planner);
  const kept = keptLayers(model.piece);
  const sets: CutSet[] = [
    { count: own.piece.count, foam, covers: cover.pieces, wadding, dust },
    ...variants.map((v) => ({ count: v.count, foam: v.foam, covers: v.covers, wadding: v.wadding, dust: v.dustCover })),
  ].map((set) => ({ ...set, wadding: kept.has('wadding') ? null : set.wadding, dust: kept.has('dust') ? null : set.dust }));
  const reads = [
    whole,
    foam,
    wadding,
    dust,
    variants,
    model.figures,
    clothRead(model.piece),
    model.piece.count,
    model.piece.strip?.cover ?? null,
    [...kept].join(' '),
  ];
  return model.keep('cut', reads, () => cutPlan(model, sets, cover));
}

/** What fasteners are chosen and placed for. */
export function fasteningOf(model: Model, fineness: Fineness = 'own'): Fastening {
  const { way: _way, ...choices } = choicesOf(model.piece.covering);
  void _way;
  const { stack, figures, piece, keep } = model;
  const wraps = wrapsStep(model, fineness);
  const relief = keep('relief', [stack, wraps, figures, piece.covering, clothRead(piece)], () => reliefPlan(model, wraps));
  return { model, choices, corners: cornersStep(model, fineness), relief };
}

/** Which fasteners, how many, where, in which order. */
export function fixStep(model: Model, fineness: Fineness = 'own'): Fixing {
  const { stack, figures, piece, keep } = model;
  const fastening = fasteningOf(model, fineness);
  const reads = [
    stack,
    fastening.corners,
    fastening.relief,
    figures,
    piece.base,
    piece.covering,
    clothRead(piece),
    piece.kind,
    piece.count,
    piece.wadding,
    piece.strip ?? null,
    piece.panels ?? null,
  ];
  return keep('fixing', reads, () => fixPlan(fastening, panelsStep(model)));
}

/** The run sheet. */
export function runStep(model: Model, fineness: Fineness = 'own'): Step[] {
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

/** What the piece weighs, without its cloth. */
export function massStep(model: Model): Plan['mass'] {
  const { stack, piece, keep } = model;
  const foam = keep('foam mass', [stack], () => foamMass(stack));
  const density = findMaterial(BOARDS, piece.base.board.material)!.density;
  const board = massOf((outlineArea(model.outline) - holesArea(piece.base.holes ?? [])) * model.boardThickness, density);
  const frame = piece.base.frame ? frameMass(frameCuts(model.outline, piece.base.frame)) : 0;
  return { board, foam, frame, total: board + foam + frame };
}

/** How large it is covered, and how that goes into what it goes between. */
export function roomStep(model: Model, fineness: Fineness = 'own'): Plan['room'] {
  const { piece, keep } = model;
  const sections = sectionsStep(model, fineness);
  const { welt } = choicesOf(piece.covering);
  const cord = welt?.lower ? welt.cord : 0;
  const beyond = piece.cloth.thickness + cord;
  const covered = keep('covered size', [sections, beyond], () => coveredSize(sections, beyond));
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
