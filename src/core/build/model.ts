import { findMaterial, FOAMS, WADDINGS, type Foam } from '../foam';
import { applyOverrides, type HouseRules, type RuleReader } from '../house';
import { baseOutline, flatten, offsetPolygon, reachFrom, stations, type Outline, type Place, type Polygon } from '../outline';
import { PieceProblems, type Pad, type Piece } from '../piece';

/** A pad with everything the geometry asks of it worked out. */
export type BuiltPad = {
  pad: Pad;
  foam: Foam;
  /** mm beyond the board (+) or short of it (−) */
  offset: number;
  polygon: Polygon;
  /** distance from the middle to the pad's edge in a direction, mm */
  reach: (angle: number) => number;
};

/** A piece with its house rules read and its outlines drawn: what every later step works from. */
export type Model = {
  piece: Piece;
  rule: RuleReader;
  outline: Outline;
  board: Polygon;
  boardThickness: number;
  places: Place[];
  pads: BuiltPad[];
  /** mm of wadding left under the pulled cover; 0 without wadding */
  wadding: number;
};

/** The house rule or the piece's own figure for how far a pad stands beyond the board. */
function padOffset(pad: Pad, step: number, rule: RuleReader): number {
  if (pad.offset !== null) return pad.offset;
  return pad.role === 'main' ? rule('overhang') : -rule('crownInset') * step;
}

/**
 * Works out the outlines that a piece's stack is built on.
 *
 * @param piece a checked piece
 * @param house the workshop's rules
 * @throws PieceProblems when a pad's inset leaves nothing of it, or the staple lines would meet
 */
export function modelOf(piece: Piece, house: HouseRules): Model {
  const rule = applyOverrides(house, piece.overrides);
  const outline = baseOutline(piece.base.shape);
  const board = flatten(outline);
  let step = 0;
  const pads = piece.pads.map((pad, i): BuiltPad => {
    if (pad.role === 'crown') step += 1;
    const offset = padOffset(pad, step, rule);
    const polygon = offsetPolygon(board, offset);
    if (!polygon) {
      throw new PieceProblems([{ path: `pads.${i}.offset`, message: `An inset of ${-offset} mm leaves nothing of this pad` }]);
    }
    return { pad, foam: findMaterial(FOAMS, pad.material)!, offset, polygon, reach: reachFrom(polygon) };
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
    rule,
    outline,
    board,
    boardThickness: piece.base.board.thickness,
    places: stations(outline),
    pads,
    wadding: (loft * rule('waddingUnderCover')) / 100,
  };
}
