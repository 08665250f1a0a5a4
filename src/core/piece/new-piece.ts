import { ruleOf } from '../house';
import { baseOutline, bounds, flatten } from '../outline';
import { withFilledWall } from './checks';
import { kindOf, type PieceKind } from './kinds';
import { defaultsOf, type BaseShape, type Cloth, type Pad, type Piece } from './schema';
import { CLOTH } from './schema/cloth';
import { WELT } from './schema/covering';
import { PANELS, VERSION } from './schema/piece';

/** More blocks than this nobody joins into one pad. */
const MOST_BLOCKS = 12;
/** What a cover takes beyond the board on both sides together, about, mm. */
const AROUND = 300;

/** How a piece lies on its roll before anybody said so: up the roll, or turned sideways where it is too wide for that. */
export function usualDirection(shape: BaseShape, rollWidth: number): Cloth['direction'] {
  const { width, height } = bounds(flatten(baseOutline(shape), 2));
  return width + AROUND > rollWidth && height < width ? 'across' : 'along';
}

const usual = (key: string): number => ruleOf(key)!.value;

/** How far a pad reaches beyond the board on both sides together as it is cut, by the house's own figures, mm. */
function beyondBoard({ role, offset, trim }: Pad): number {
  const value = offset ?? (role === 'crown' ? -usual('crownInset') : usual('overhang'));
  return 2 * (value + (trim ? usual('foamOversize') : 0));
}

/** Into how many blocks a pad must be joined so that each comes out of the sheet that is usually sold. */
export function usualBlocks(shape: BaseShape, pad: Pad): number {
  const { width, height } = bounds(flatten(baseOutline(shape), 2));
  const more = beyondBoard(pad);
  const sheet = [usual('foamSheetWidth'), usual('foamSheetLength')];
  const [narrow, long] = [Math.min(...sheet), Math.max(...sheet)];
  const fits = (count: number): boolean => {
    const sides = [(width + more) / count, height + more];
    return Math.min(...sides) <= narrow && Math.max(...sides) <= long;
  };
  return Array.from({ length: MOST_BLOCKS }, (_, k) => k + 1).find(fits) ?? 1;
}

/** Pads joined where the sheet asks for it; two that lie on each other never over the same join. */
function joined(pads: readonly Pad[], base: BaseShape): Pad[] {
  let below = 1;
  return pads.map((pad) => {
    const wanted = Math.max(pad.blocks ?? 1, usualBlocks(base, pad));
    const blocks = wanted > 1 && wanted === below ? wanted + 1 : wanted;
    below = blocks;
    return { ...pad, ...(blocks > 1 ? { blocks } : {}) };
  });
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
  const piece: Piece = {
    schema: `fovea.piece/${VERSION}`,
    kind,
    name,
    count: start.panels?.count ?? 1,
    due: '',
    notes: '',
    base: { shape: base, board: { ...start.board }, supports, ...start.base },
    pads: joined(start.pads, base),
    wadding: start.wadding === undefined ? 'wadding-200' : start.wadding,
    cloth,
    chalk: { x: 0, y: 0, angle: 0 },
    overrides: { ...start.overrides },
    covering: { way: start.way, ...start.covering, ...(start.welt ? { welt: { ...defaultsOf(WELT), ...start.welt } } : {}) },
    ...(start.panels ? { panels: { ...defaultsOf(PANELS), ...start.panels } } : {}),
  };
  // Of a board that was measured the wall is what its panels fill.
  return shape ? withFilledWall(piece) : piece;
}

/** A drop-in chair seat: a firm main pad over a low domed crown pad. */
export function newChairSeat(shape?: BaseShape): Piece {
  return newPiece('chair-seat', shape);
}
