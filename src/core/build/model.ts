import { findMaterial, WADDINGS, type Foam } from '../foam';
import { applyOverrides, type HouseRules, type RuleReader } from '../house';
import {
  baseOutline,
  deepest,
  flatten,
  offsetPolygon,
  polygonArea,
  reachFrom,
  seesAllFrom,
  stations,
  type Outline,
  type Place,
  type Point,
  type Polygon,
} from '../outline';
import { foamOf, PieceProblems, type Pad, type Piece } from '../piece';
import { flushAgainst } from './flush';
import { mouldHeight } from './mould';

/** A pad with everything the geometry asks of it worked out. */
export type BuiltPad = {
  pad: Pad;
  foam: Foam;
  /** what fills its pocket, where it has one */
  insert: Foam | null;
  /** mm beyond the board (+) or short of it (−) */
  offset: number;
  polygon: Polygon;
  /** distance from the piece's middle to the pad's edge in a direction, mm; null where not all of the edge can be seen from there */
  reach: ((angle: number) => number) | null;
  /** how far the pad's deepest place lies from its edge, mm */
  depth: number;
};

/** A piece with its house rules read and its outlines drawn: what every later step works from. */
export type Model = {
  piece: Piece;
  house: HouseRules;
  rule: RuleReader;
  outline: Outline;
  board: Polygon;
  /** the place that counts as the middle: the origin, or the deepest place of a piece that bends round it */
  middle: Point;
  /** height of the board's top face over the reference plane, mm; nothing everywhere on a flat board */
  baseHeight: (x: number, y: number) => number;
  boardThickness: number;
  places: Place[];
  pads: BuiltPad[];
  /** mm of wadding left once smoothed down, before the cover presses it; 0 without wadding */
  wadding: number;
  /** how hard the cover is pulled, N/mm of its edge */
  pull: number;
};

/** The house rule or the piece's own figure for how far a pad stands beyond the board. */
function padOffset(pad: Pad, step: number, rule: RuleReader, main: number): number {
  if (pad.offset !== null) return pad.offset;
  // Where the main pad is held back from the board's edge, its crown is held back from the pad's.
  return pad.role !== 'crown' ? rule('overhang') : Math.min(0, main) - rule('crownInset') * step;
}

/** A drawn outline as a polygon that goes round counter-clockwise. */
function drawnOutline(corners: readonly (readonly [number, number])[]): Polygon {
  const polygon = corners.map(([x, y]): Point => [x, y]);
  return polygonArea(polygon) < 0 ? polygon.reverse() : polygon;
}

/** House rule of each school of pulling. */
const SCHOOL = { taut: 'pullTaut', firm: 'pullFirm', smooth: 'pullSmooth' } as const;

/** N per 10 cm of edge in N/mm. */
const PER_MM = 0.01;

/**
 * Works out the outlines that a piece's stack is built on.
 *
 * @param piece a checked piece
 * @param house the workshop's rules
 * @throws PieceProblems when a pad's inset leaves nothing of it, or the staple lines would meet
 */
export function modelOf(piece: Piece, house: HouseRules): Model {
  const rule = applyOverrides(house, piece.overrides);
  const outline = baseOutline(piece.base.shape, piece.base.notches);
  const board = flatten(outline);
  const middle: Point = seesAllFrom(board, [0, 0]) ? [0, 0] : deepest(board).at;
  let step = 0;
  const main = piece.pads.find((pad) => pad.role === 'main')?.offset ?? 0;
  const pads = piece.pads.map((pad, i): BuiltPad => {
    if (pad.role === 'crown') step += 1;
    const offset = padOffset(pad, step, rule, main);
    const grown = pad.outline ? drawnOutline(pad.outline) : offsetPolygon(board, offset);
    const polygon = grown && !pad.outline && offset > 0 ? flushAgainst(grown, outline, piece.base.edges ?? [], offset) : grown;
    if (!polygon) {
      throw new PieceProblems([{ path: `pads.${i}.offset`, message: `An inset of ${-offset} mm leaves nothing of this pad` }]);
    }
    const about = polygon.map(([x, y]): Point => [x - middle[0], y - middle[1]]);
    const reach = seesAllFrom(about, [0, 0]) ? reachFrom(about) : null;
    // Only a dome over an edge that cannot all be seen asks for the depth.
    const depth = reach || pad.edge.kind !== 'domed' ? 0 : deepest(polygon).depth;
    return {
      pad,
      foam: foamOf(piece, pad.material)!,
      insert: pad.pocket ? (foamOf(piece, pad.pocket.material) ?? null) : null,
      offset,
      polygon,
      reach,
      depth,
    };
  });
  if (!offsetPolygon(board, -rule('return') - 5)) {
    throw new PieceProblems([
      {
        path: 'overrides.return',
        message: `A return of ${rule('return')} mm meets itself in the middle of this board; make the return shorter`,
      },
    ]);
  }
  const loft = piece.wadding === null ? 0 : findMaterial(WADDINGS, piece.wadding)!.loft;
  return {
    piece,
    house,
    rule,
    outline,
    board,
    middle,
    baseHeight: mouldHeight(piece.base, board),
    boardThickness: piece.base.board.thickness,
    places: stations(outline),
    pads,
    wadding: (loft * rule('waddingUnderCover')) / 100,
    pull: (piece.cloth.force ?? rule(SCHOOL[piece.cloth.pull])) * PER_MM,
  };
}
