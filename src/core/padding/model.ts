import { answerOf, foamAnswer, overAll, type Foam, type FoamAnswer } from '../foam';
import { figuresFor, readerOf, type HouseRules } from '../house';
import { keepNothing, type Keep } from '../keep';
import {
  baseOutline,
  bounds,
  deepest,
  distanceAlong,
  flatten,
  offsetPolygon,
  type Outline,
  type Place,
  type Point,
  type Polygon,
  polygonArea,
  polygonPerimeter,
  reachFrom,
  seesAllFrom,
  stations,
} from '../outline';
import {
  edgeThickness,
  ownRules,
  fieldAt,
  foamOf,
  letInto,
  PieceProblems,
  PULLS,
  type Base,
  type EdgeFact,
  type Pad,
  type Piece,
  type Pocket,
} from '../piece';
import { flushAgainst } from './pads/flush';
import { mouldHeight } from './pads/mould';
import { rimOf } from '../pad-rims';
import type { Thickness } from '../pad-forms';
import { padThickness } from './pads/pad-form';
import { padOffsets, type OffsetRules } from './pads/pad-offset';

/** A foam in the stack, with how it answers being pressed. */
export type BuiltFoam = { foam: Foam; answer: FoamAnswer };

/** How a pad is cut: nothing of that is left once it lies there. */
const HOW_CUT = ['blocks', 'scrap', 'trim', 'pair', 'packet', 'blocksDeep'] as const;

/** A pad as it lies in the stack. */
export type LyingPad = Omit<Pad, (typeof HOW_CUT)[number]>;

/** A pad with everything the geometry asks of it worked out. */
export type BuiltPad = BuiltFoam & {
  pad: LyingPad;
  /** what is let into it, and the foam of each */
  letIn: (BuiltFoam & { pocket: Pocket })[];
  /** how thick it is from place to place before its rim is worked; null where it is level */
  form: Thickness | null;
  /** mm beyond the board (+) or short of it (−) */
  offset: number;
  polygon: Polygon;
  /** distance from the piece's middle to the pad's edge in a direction, mm; null where not all of the edge can be seen from there */
  reach: ((angle: number) => number) | null;
  /** how far the pad's deepest place lies from its edge, mm */
  depth: number;
};

/** A base with its outline drawn. */
export type DrawnBase = {
  outline: Outline;
  board: Polygon;
  /** the place that counts as the middle: the origin, or the deepest place of a piece that bends round it */
  middle: Point;
  /** the stations; `at` is measured along the board from the first */
  places: Place[];
  /** length of the board's edge, mm: all that is told along the edge is told along this */
  perimeter: number;
};

/** What the physics works from, and all that it works from: base, pads, wadding and pull. */
export type Stack = DrawnBase & {
  /** height of the board's top face over the reference plane, mm; nothing everywhere on a flat board */
  baseHeight: (x: number, y: number) => number;
  boardThickness: number;
  /** how far down the cover goes over the edge: the board, and a frame flush below it, mm */
  edgeThickness: number;
  pads: BuiltPad[];
  /** a band is sewn on along the edge: the top is pulled to its seam, not over the edge */
  boxed: boolean;
  /** mm of wadding left once smoothed down, before the cover presses it; 0 without wadding */
  wadding: number;
  /** how it gives under the cover */
  waddingAnswer: FoamAnswer;
  /** how hard the cover is pulled, N/mm of its edge */
  pull: number;
};

/** Every rule's figure for a piece, by key. */
export type Figures = Readonly<Record<string, number>>;

/** What a cached step reads of a model: its stack, the figures of rules F, and what of the piece it names. */
export type ModelReads<P, F extends string = string> = { stack: Stack; figures: Readonly<Record<F, number>>; piece: P };

/** A model of which only a part P of the piece and the rules F can be read. */
export type ModelOf<P, F extends string = string> = Stack &
  ModelReads<P, F> & { /** reads the figures */ rule: (key: F) => number; keep: Keep };

/** A piece with its house rules read and its stack built: what every later step works from. */
export type Model = ModelOf<Piece> & { house: HouseRules };

/**
 * Makes a model of what a cached step has read.
 *
 * @param reads of the step
 * @param keep the cache that the step was handed
 */
export function modelFrom<P, F extends string>({ stack, figures, piece }: ModelReads<P, F>, keep: Keep): ModelOf<P, F> {
  return { ...stack, stack, figures, piece, rule: readerOf(figures), keep };
}

/** A drawn outline as a polygon that goes round counter-clockwise. */
function drawnOutline(corners: readonly (readonly [number, number])[]): Polygon {
  const polygon = corners.map(([x, y]): Point => [x, y]);
  return polygonArea(polygon) < 0 ? polygon.reverse() : polygon;
}

/** N per 10 cm of edge in N/mm. */
const PER_MM = 0.01;

/** What an old pad still has of its hardness where nobody has said, %. */
const USUALLY_LEFT = fieldAt('pads.hardnessLeft').default as number;

/** The staple line must leave this much of the board inside it, mm. */
const INSIDE_STAPLES = 5;
/** Nearer the edge than this the wood splits out, mm. */
export const LEAST_INSET = 6;

/**
 * Every rule's figure as it holds on this board. The cover is fastened as far in as the house has it, or, on a board too small for
 * that, half-way to its middle, as a narrow arm pad is stapled. A line that was said for this piece is asked about instead.
 *
 * @param board the base's outline
 * @param ruleFigures the figures of house and piece
 * @param piece what was said for it alone
 * @throws PieceProblems where no line fits
 */
export function figuresOn(
  board: Polygon,
  ruleFigures: Readonly<Record<string, number>>,
  { overrides }: Pick<Piece, 'overrides'>,
): Readonly<Record<string, number>> {
  const line = readerOf(ruleFigures)('return');
  const fits = (inset: number): boolean => offsetPolygon(board, -inset - INSIDE_STAPLES) !== null;
  if (fits(line)) return ruleFigures;
  const half = Math.floor(deepest(board).depth / 2);
  if (!('return' in overrides) && half >= LEAST_INSET && fits(half)) return { ...ruleFigures, return: half };
  throw new PieceProblems([
    { path: 'overrides.return', message: `Staples ${line} mm in would meet in the middle of this board. Staple how far in?` },
  ]);
}

/** The base's outline, its middle and its stations. */
function drawBase({ shape, notches }: Pick<Base, 'shape' | 'notches'>): DrawnBase {
  const outline = baseOutline(shape, notches);
  const board = flatten(outline);
  const middle: Point = seesAllFrom(board, [0, 0]) ? [0, 0] : deepest(board).at;
  const perimeter = polygonPerimeter(board);
  const along = ({ point }: Place): number => distanceAlong(board, point);
  const found = stations(outline);
  const start = along(found[0]!);
  // The drawn edge is a hair shorter than its curves: one measure of it holds for everything that follows.
  const places = found.map((place, i) => ({ ...place, at: i === 0 ? 0 : (along(place) - start + perimeter) % perimeter }));
  return { outline, board, middle, places, perimeter };
}

/** An old pad's foam as it has become: of the same feel, with less of its hardness. */
function worn({ kept, hardnessLeft }: LyingPad, foam: Foam): Foam {
  return kept ? { ...foam, ifd25: (foam.ifd25 * (hardnessLeft ?? USUALLY_LEFT)) / 100 } : foam;
}

/** A pad without how it is cut: what is solved of a stack does not hang on that. */
function lying(pad: Pad): LyingPad {
  return Object.fromEntries(Object.entries(pad).filter(([key]) => !HOW_CUT.some((id) => id === key))) as LyingPad;
}

type PadReads = {
  drawn: DrawnBase;
  pads: readonly LyingPad[];
  foams: Piece['foams'] | undefined;
  edges: readonly EdgeFact[] | undefined;
  rules: OffsetRules;
};

/** @throws PieceProblems when a pad's inset leaves nothing of it */
function buildPads({ drawn, pads, foams, edges = [], rules }: PadReads, keep: Keep): BuiltPad[] {
  const { outline, board, middle } = drawn;
  const offsets = padOffsets(pads, rules);
  const ofPiece = foams ? { foams } : {};
  const built = (foam: Foam): BuiltFoam => ({ foam, answer: foamAnswer(foam, keep) });
  return pads.map((pad, i): BuiltPad => {
    const offset = offsets[i]!;
    const grown = pad.outline ? drawnOutline(pad.outline) : offsetPolygon(board, offset);
    const polygon = grown && !pad.outline && offset > 0 ? flushAgainst(grown, outline, edges, offset) : grown;
    if (!polygon) throw new PieceProblems([{ path: `pads.${i}.offset`, message: `An inset of ${-offset} mm leaves nothing of this pad` }]);
    const about = polygon.map(([x, y]): Point => [x - middle[0], y - middle[1]]);
    const reach = seesAllFrom(about, [0, 0]) ? reachFrom(about) : null;
    // Only what is shaped from its middle, where the edge cannot all be seen from there, asks for the depth.
    const depth = reach || !rimOf(pad.edge).fromMiddle ? 0 : deepest(polygon).depth;
    const letIn = letInto(pad).flatMap((pocket) => {
      const insert = foamOf(ofPiece, pocket.material);
      return insert ? [{ pocket, ...built(insert) }] : [];
    });
    const foam = built(worn(pad, foamOf(ofPiece, pad.material)!));
    return { pad, ...foam, letIn, form: padThickness(pad, polygon), offset, polygon, reach, depth };
  });
}

/**
 * Works out the outlines that a piece's stack is built on.
 *
 * @param piece a checked piece
 * @param house the workshop's rules
 * @param [keep] keeps what did not change
 * @param [cover] whether its way of covering sews a band on along the edge, and whether it goes round the pad alone, without a board
 * @throws PieceProblems when a pad's inset leaves nothing of it, or the staple lines would meet
 */
export function modelOf(piece: Piece, house: HouseRules, keep: Keep = keepNothing, { boxed = false, loose = false } = {}): Model {
  const { overrides, glue, cutWith, wadding, foams } = piece;
  const { shape, notches, board, mould, edges } = piece.base;
  const asked = keep('figures', { rules: house, overrides, glue, cutWith }, figuresOfRules);
  const drawn = keep('outline', { shape, notches }, drawBase);
  const figures = keep('figures on this board', { drawn, asked, override: overrides['return'] }, boardFigures);
  const rule = readerOf(figures);
  const rules: OffsetRules = { overhang: rule('overhang'), crownInset: rule('crownInset') };
  const pads = keep('pads', { drawn, pads: piece.pads.map(lying), foams, edges, rules }, buildPads);
  const over = keep('over all', { wadding, settled: rule('waddingUnderCover') }, overWadding);
  const waddingAnswer = keep('wadding answer', { curve: over.curve }, answerOfWadding);
  const pull = (piece.cloth.force ?? rule(PULLS.find(({ id }) => id === piece.cloth.pull)!.rule)) * PER_MM;
  // A loose pad has no board in its cover, and wadding below as above.
  const thick = loose
    ? { boardThickness: 0, edgeThickness: over.thickness }
    : { boardThickness: board.thickness, edgeThickness: edgeThickness(piece.base) };
  const stack = keep('stack', { drawn, pads, shape, mould, ...thick, wadding: over.thickness, waddingAnswer, pull, boxed }, stackOf);
  return { ...stack, stack, piece, house, figures, rule, keep };
}

/** The figures of house and piece. */
function figuresOfRules({ rules, ...rest }: { rules: HouseRules } & Parameters<typeof ownRules>[0]): Figures {
  return figuresFor(rules, ownRules(rest));
}

/** @throws PieceProblems where no staple line fits */
function boardFigures({ drawn, asked, override }: { drawn: DrawnBase; asked: Figures; override: number | undefined }): Figures {
  return figuresOn(drawn.board, asked, { overrides: override === undefined ? {} : { return: override } });
}

function overWadding({ wadding, settled }: Pick<Piece, 'wadding'> & { settled: number }): ReturnType<typeof overAll> {
  return overAll(wadding, settled);
}

function answerOfWadding({ curve }: Pick<FoamAnswer, 'curve'>): FoamAnswer {
  return answerOf(curve);
}

type StackReads = Pick<Stack, 'pads' | 'boardThickness' | 'edgeThickness' | 'wadding' | 'waddingAnswer' | 'pull' | 'boxed'> &
  Pick<Base, 'shape'> & { drawn: DrawnBase; mould: Base['mould'] | undefined };

function stackOf({ drawn, shape, mould, ...rest }: StackReads): Stack {
  return { ...drawn, baseHeight: mouldHeight({ shape, mould: mould ?? null }, drawn.board), ...rest };
}

/**
 * Where good cloth may end, because what lies below is hidden: a place from front to back in the plan, mm.
 *
 * @param base of the document
 * @param board its outline
 * @returns null where nothing is hidden, or nothing of it is left to end
 */
export function hiddenJoin({ hidden }: Pick<Base, 'hidden'>, board: Polygon): number | null {
  if (!hidden || hidden.upTo <= hidden.lap) return null;
  const { minY, maxY } = bounds(board);
  const at = minY + hidden.upTo - hidden.lap;
  return at < maxY ? at : null;
}

/** How far the padding is held back from the board's edge, mm: the margin in which nails bite wood. */
export function bareMargin({ pads }: Stack): number {
  return pads.length > 0 ? Math.max(0, -Math.max(...pads.map((pad) => pad.offset))) : 0;
}
