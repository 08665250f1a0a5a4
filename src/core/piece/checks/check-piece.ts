import { BOARDS, curveOf, findMaterial, WADDINGS } from '../../foam';
import { baseOutline, deepest, flatten } from '../../outline';
import { kindOf } from '../kinds';
import { thickest } from '../pad-profile';
import type { Problem } from '../problem';
import type { Base, Piece } from '../schema';
import { checkFeatures } from './features';
import { checkPad } from './pad';
import { checkSet } from './set';
import { checkShape } from './shape';

/** Padding higher than this is furniture of its own, mm. */
const HIGHEST_STACK = 1200;

function round(value: number): number {
  return Math.round(value * 10) / 10;
}

/** Boards that cannot do what this kind of piece asks. */
function checkBoard(piece: Piece): string | null {
  const board = findMaterial(BOARDS, piece.base.board.material);
  if (!board) return `“${piece.base.board.material}” is not a board we know`;
  if (kindOf(piece.kind).traits.sat && !board.bears)
    return `${board.name} cannot bear a person and holds no staple; take plywood or solid wood under a seat`;
  return null;
}

/** The narrowest way across a base through its deepest place, mm: what an inset can eat from both sides. */
export function narrowestWidth(base: Base): number {
  const { shape } = base;
  if (!base.notches?.length) {
    if (shape.type === 'round') return shape.diameter;
    if (shape.type === 'rectangle') return Math.min(shape.width, shape.depth);
    if (shape.type === 'trapezoid') return Math.min(shape.frontWidth, shape.backWidth, shape.depth);
  }
  return 2 * deepest(flatten(baseOutline(shape, base.notches), 0.2)).depth;
}

/** What keeps the stack from being built. */
function checkStack(piece: Piece, narrowest: number): Problem[] {
  const problems: Problem[] = [];
  const seen = new Set<string>();
  const board = flatten(baseOutline(piece.base.shape, piece.base.notches), 0.2);
  let height = 0;
  piece.pads.forEach((pad, i) => {
    const add = (key: string, message: string): void => void problems.push({ path: `pads.${i}.${key}`, message });
    if (seen.has(pad.id)) add('id', `Two pads are called “${pad.id}”`);
    seen.add(pad.id);
    height += thickest(pad);
    if (pad.role === 'crown' && pad.thickness > narrowest / 2)
      add(
        'thickness',
        `A crown of ${round(pad.thickness)} mm is steeper than a half ball on this seat; ${Math.floor(narrowest / 2)} mm maximum`,
      );
    if (pad.offset !== null && -pad.offset > narrowest / 2 - 10)
      add('offset', `An inset of ${round(-pad.offset)} mm leaves nothing of this pad; ${Math.floor(narrowest / 2 - 10)} mm maximum`);
    if (pad.kept === 'stays' && piece.pads.slice(0, i).some(({ kept }) => kept !== 'stays'))
      add('kept', 'It cannot stay on the base: a pad that is laid new lies under it');
    problems.push(...checkPad(piece, pad, i, board));
  });
  if (height > HIGHEST_STACK)
    problems.push({ path: 'pads', message: `The pads are ${Math.round(height)} mm high together; ${HIGHEST_STACK} mm maximum` });
  return problems;
}

/** A cushion thicker than this share of its shorter side is a ball, and its loops need so much room each, mm. */
const BALL = 0.7;
const LOOP_ROOM = 40;

/** What keeps a loose cushion from being sewn. */
function checkLoose({ loose }: Piece): Problem[] {
  return (loose ?? []).flatMap((item, i) => {
    const problems: Problem[] = [];
    const add = (key: string, message: string): void => void problems.push({ path: `loose.${i}.${key}`, message });
    const most = Math.floor(BALL * Math.min(item.length, item.height));
    if (item.kind === 'cushion' && item.thick > most)
      add('thick', `So thick it is a ball, not a cushion; ${most} mm is the most for its sides`);
    if (item.loops * LOOP_ROOM > item.length)
      add('loops', `No room for so many along ${round(item.length)} mm; ${Math.floor(item.length / LOOP_ROOM)} maximum`);
    if (loose!.slice(0, i).some(({ id }) => id === item.id)) add('id', `Two loose cushions are called “${item.id}”`);
    return problems;
  });
}

/**
 * Says what keeps a piece from being built, beyond what a single field can say: sizes against each other and names
 * against the shipped tables. The whole document is checked by `checkDocument`.
 *
 * @param piece a document of the right form
 * @returns nothing when it can be built
 */
export function checkPiece(piece: Piece): Problem[] {
  const shape = checkShape(piece.base.shape);
  if (shape.length > 0) return shape;
  const features = checkFeatures(piece.base);
  if (features.length > 0) return features;
  const problems: Problem[] = [];
  const add = (path: string, message: string | null): void => {
    if (message) problems.push({ path, message });
  };
  if (piece.due && Number.isNaN(Date.parse(piece.due))) add('due', `“${piece.due}” is not a day`);
  add('base.board.material', checkBoard(piece));
  problems.push(...checkStack(piece, narrowestWidth(piece.base)));
  if (piece.wadding !== null && !findMaterial(WADDINGS, piece.wadding)) add('wadding', `“${piece.wadding}” is not a wadding we know`);
  (piece.foams ?? []).forEach((foam, i) => {
    try {
      curveOf(foam);
    } catch (error) {
      add(`foams.${i}.supportFactor`, error instanceof RangeError ? error.message : String(error));
    }
  });
  problems.push(...checkSet(piece));
  problems.push(...checkLoose(piece));
  return problems;
}
