import { kindOf, type PieceKind } from './kinds';
import { defaultsOf, type BaseShape, type Cloth, type Piece } from './schema';
import { CLOTH } from './schema/cloth';
import { PANELS, VERSION } from './schema/piece';

/** The roll that a piece of that width can be cut from: upholstery cloth, or turned sideways where it is wide. */
const TURNED = 0.7;

/** How a piece lies on its roll before anybody said so: turned sideways where it is nearly as wide as the roll. */
function usualDirection(shape: BaseShape, rollWidth: number): Cloth['direction'] {
  return 'width' in shape && shape.width > rollWidth * TURNED ? 'across' : 'along';
}

/**
 * A piece of a kind, ready to plan: its usual shape, pads, board and supports, wadding, cloth and way of covering.
 *
 * @param kind what is being padded
 * @param [shape] the measured base; the kind's usual shape otherwise
 */
export function newPiece(kind: PieceKind, shape?: BaseShape): Piece {
  const { name, supports, start } = kindOf(kind);
  const base = shape ?? start.shape;
  const plain = { ...defaultsOf(CLOTH), name: 'Plain wool' };
  const cloth: Cloth = { ...plain, direction: usualDirection(base, plain.rollWidth), ...start.cloth };
  return {
    schema: `fovea.piece/${VERSION}`,
    kind,
    name,
    count: start.panels?.count ?? 1,
    due: '',
    notes: '',
    base: { shape: base, board: { ...start.board }, supports },
    pads: start.pads.map((pad) => ({ ...pad })),
    wadding: start.wadding === undefined ? 'wadding-200' : start.wadding,
    cloth,
    chalk: { x: 0, y: 0, angle: 0 },
    overrides: { ...start.overrides },
    covering: { way: start.way },
    ...(start.panels ? { panels: { ...defaultsOf(PANELS), ...start.panels } } : {}),
  };
}

/** A drop-in chair seat: a firm main pad over a low domed crown pad. */
export function newChairSeat(shape?: BaseShape): Piece {
  return newPiece('chair-seat', shape);
}
