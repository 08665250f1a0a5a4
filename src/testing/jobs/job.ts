import { CLOTHS } from '../../core/cloth';
import { newPiece, type BaseShape, type Cloth, type Pad, type Piece, type PieceKind } from '../../core/piece';
import type { Plan } from '../../core/plan';

/** A figure that somebody cuts, buys or does by, what a master would let pass, and why. */
export type Expected = { what: string; of: (plan: Plan) => number; least: number; most: number; why: string };

/** A job as it comes through the lodge's door. */
export type Job = {
  id: string;
  title: string;
  /** what was measured and chosen, as it would be said across the bench */
  inputs: string;
  piece: Piece;
  figures: Expected[];
  /** steps that must come in this order, by key; `a > b` is each a pair of neighbours here */
  order: string[];
  /** steps that have no business on its run sheet */
  never?: string[];
  /** what its shopping list has, by key of the size */
  buys: string[];
  /** corners as they are made, where it matters */
  corners?: string;
  /** what it must warn of; nothing otherwise */
  warns?: string[];
  /** run through the browser too */
  browser?: boolean;
};

/** Allowances that nobody changed: staple line, grip, mm. */
const STAPLE = { seat: 18, wall: 30 };
const GRIP = 35;

export type Change = Omit<Partial<Piece>, 'cloth' | 'base'> & { shape?: BaseShape; cloth?: Partial<Cloth>; base?: Partial<Piece['base']> };

/** A piece of a kind with what was measured and chosen. */
export function piece(kind: PieceKind, { shape, cloth, base, ...rest }: Change): Piece {
  const plain = newPiece(kind, shape);
  return { ...plain, ...rest, cloth: { ...plain.cloth, ...cloth }, base: { ...plain.base, ...base } };
}

/** A cloth of the lodge's shelf as a piece carries it. */
export function cloth(id: string): Partial<Cloth> {
  const { id: _id, ...item } = CLOTHS.find((known) => known.id === id)!;
  void _id;
  return item;
}

/** The usual pads of a kind with the main one changed. */
export function mainPad(kind: PieceKind, change: Partial<Pad>): Pad[] {
  return newPiece(kind).pads.map((pad) => (pad.id === 'main' ? { ...pad, ...change } : pad));
}

const pieceAt = (plan: Plan, id: string) => {
  const found = plan.cover.pieces.find((coverPiece) => coverPiece.id === id);
  if (!found) throw new Error(`no cloth piece ${id}: ${plan.cover.pieces.map((coverPiece) => coverPiece.id).join()}`);
  return found;
};

/** One side of a pulled cloth: the board, the padding's sides (less what the pull rounds off), under to the staples, the grip. */
function pulledSide(what: string, of: Expected['of'], board: number, padding: number, staple: number): Expected {
  return {
    what,
    of,
    least: Math.floor(board + 2 * (0.54 * padding + staple + GRIP)),
    most: Math.round(board + 2 * (padding + 10 + staple + GRIP)),
    why: `${board} of board, ${padding} of padding down either side less what the pull rounds off, ${staple} to the staples and ${GRIP} for the hand`,
  };
}

/** A pulled cover's cut size. */
export function pulledCover(width: number, depth: number, padding: number, where: keyof typeof STAPLE = 'seat'): Expected[] {
  const side = (what: string, of: Expected['of'], board: number) => pulledSide(what, of, board, padding, STAPLE[where]);
  return [
    side('cover, width', (plan) => pieceAt(plan, 'cover').width, width),
    side('cover, depth', (plan) => pieceAt(plan, 'cover').height, depth),
  ];
}

/** A sewn top panel: about the board and a seam allowance all round. */
export function topPanel(width: number, depth: number, id = 'top'): Expected[] {
  const of = (key: 'width' | 'height') => (plan: Plan) =>
    pieceAt(plan, id).width * Number(key === 'width') + pieceAt(plan, id).height * Number(key === 'height');
  const why = 'a finished top is about the board; twelve of seam on either side';
  return [
    { what: 'top panel, width', of: of('width'), least: width + 8, most: width + 40, why },
    { what: 'top panel, depth', of: of('height'), least: depth + 8, most: depth + 40, why },
  ];
}

/** A band's height and its whole length. */
export function band(padding: number, round: number): Expected[] {
  const bands = (plan: Plan) => plan.cover.pieces.filter(({ role }) => role === 'band');
  return [
    {
      what: 'band, height',
      of: (plan) => Math.min(...(bands(plan)[0]!.outline.length > 0 ? [Math.min(bands(plan)[0]!.width, bands(plan)[0]!.height)] : [0])),
      least: padding + 65,
      most: padding + 135,
      why: `${padding} of side, a seam above, the return, and 75 to hold and trim below it`,
    },
    {
      what: 'bands, length together',
      of: (plan) => bands(plan).reduce((sum, coverPiece) => sum + Math.max(coverPiece.width, coverPiece.height), 0),
      least: round - 30,
      most: round + 110,
      why: 'the seam line round the top and an allowance at each join',
    },
  ];
}

/** A pad as it is cut. */
export function foam(pad: string, width: number, depth: number, why: string, give = 6): Expected[] {
  const local = (plan: Plan) => plan.foam.find((found) => found.pad === pad)!;
  return [
    { what: `${pad} pad as cut, width`, of: (plan) => local(plan).width, least: width - give, most: width + give, why },
    { what: `${pad} pad as cut, depth`, of: (plan) => local(plan).height, least: depth - give, most: depth + give, why },
  ];
}

/** Cloth off the roll. */
export function rollLength(least: number, most: number, why: string): Expected {
  return { what: 'cloth off the roll', of: (plan) => plan.cut.cloth.length, least, most, why };
}

/** How high it stands at the middle once covered. */
export function covered(least: number, most: number, why: string): Expected {
  return { what: 'covered height at the middle', of: (plan) => plan.surface.height, least, most, why };
}

/** Time on one. */
export function minutes(least: number, most: number, why: string): Expected {
  return { what: 'minutes for one, waits in it', of: (plan) => plan.minutes, least, most, why };
}

/**
 * Fasteners that go in, of one piece: a row for the cover, half of one for the dust cover where there is one and for wadding that goes
 * under the board of a wall piece, one more for a welt that is stapled on.
 */
export function fastened(perimeter: number, welted = false, pitch = 22, dust = true, wadding = false): Expected {
  const rows = 1 + (dust ? 0.5 : 0) + (wadding ? 0.5 : 0) + Number(welted);
  return {
    what: 'staples in one',
    of: (plan) => plan.fixing.count,
    least: Math.round((perimeter / pitch) * rows * 0.8),
    most: Math.round((perimeter / pitch) * rows * 1.15),
    why: `${perimeter} round at ${pitch} for the cover${dust ? ', twice as far apart for the dust cover' : ''}${wadding ? ' and for the wadding' : ''}${welted ? ', once more round for the welt' : ''}; none where a corner is left open`,
  };
}
