import { kindOf } from './kinds';
import { shapeKind } from './shape-fields';
import type { BaseShape, Pad, Piece, PieceKind } from './types';
import { usualWay } from './usual-way';

const main = (material: string, thickness: number, offset: number | null = null): Pad => ({
  id: 'main',
  role: 'main',
  material,
  thickness,
  offset,
  edge: { kind: 'square' },
});
const crown = (thickness: number): Pad => ({
  id: 'crown',
  role: 'crown',
  material: 'seat-extra-firm',
  thickness,
  offset: null,
  edge: { kind: 'domed' },
});

/** What each kind is usually built from: pads from the base up, board thickness, its usual name. */
const BUILT: Record<PieceKind, { pads: Pad[]; board: number; material?: string }> = {
  'chair-seat': { pads: [crown(13), main('seat-firm', 50)], board: 12 },
  'round-seat': { pads: [main('seat-firm', 75)], board: 15 },
  bench: { pads: [main('seat-firm', 75)], board: 18 },
  'corner-seat': { pads: [main('seat-firm', 75)], board: 12 },
  headboard: { pads: [main('seat-medium', 40, 0)], board: 15 },
  'headboard-bordered': { pads: [crown(10), main('seat-medium', 40, 0)], board: 18 },
  'headboard-panelled': { pads: [main('seat-medium', 40, 0)], board: 12 },
  // Under a nail line the foam is held back, so that the nails bite wood.
  'headboard-nailed': { pads: [main('seat-medium', 40, -50)], board: 18 },
  saddle: { pads: [main('chip-firm', 50)], board: 4, material: 'moulded-plastic' },
  'arm-pad': { pads: [main('chip-firm', 20), { ...main('seat-firm', 25), id: 'top' }], board: 9 },
  'block-seat': { pads: [main('seat-extra-firm', 100), { ...main('seat-extra-firm', 100), id: 'upper' }], board: 9 },
  'tight-seat': { pads: [crown(20), main('seat-firm', 75)], board: 15 },
};

/** The roll that a piece of that width can be cut from: upholstery cloth, or railroaded where it is wide. */
const ROLL = 1400;

/**
 * A piece of a kind, ready to plan: its usual shape, pads, board and supports, medium wadding, plain cloth.
 *
 * @param kind what is being padded
 * @param [shape] the measured base; the kind's usual shape otherwise
 */
export function newPiece(kind: PieceKind, shape: BaseShape = shapeKind(kindOf(kind).shapes[0]!).start): Piece {
  const { name, supports } = kindOf(kind);
  const { pads, board, material } = BUILT[kind];
  const wide = shape.type === 'saddle' ? false : 'width' in shape && shape.width > ROLL * 0.7;
  const piece: Piece = {
    schema: 'fovea.piece/1',
    kind,
    name,
    count: 1,
    due: '',
    notes: '',
    base: { shape, board: { material: material ?? 'plywood', thickness: board }, supports },
    pads: pads.map((pad) => ({ ...pad })),
    wadding: 'wadding-200',
    cloth: {
      name: 'Plain wool',
      rollWidth: ROLL,
      thickness: 1,
      coated: false,
      direction: wide ? 'across' : 'along',
      repeatAcross: 0,
      repeatAlong: 0,
      shrinkage: 0,
      pull: 'taut',
    },
    chalk: { x: 0, y: 0, angle: 0 },
    overrides: {},
    covering: { way: usualWay(kind) },
  };
  if (kind === 'headboard-panelled') {
    const panels = { across: 1800, gap: 20, count: 4, mounting: 'hung' as const, cleats: 2, rating: 20 };
    return {
      ...piece,
      panels,
      count: panels.count,
      base: { ...piece.base, shape: { type: 'rectangle', width: 435, depth: 600, cornerRadius: { front: 0, back: 0 } } },
    };
  }
  // A pan's return is short: there is little room behind its rim.
  if (kind === 'saddle') return { ...piece, overrides: { return: 25 } };
  return piece;
}

/** A drop-in chair seat: a firm main pad over a low domed crown pad. */
export function newChairSeat(shape?: BaseShape): Piece {
  return newPiece('chair-seat', shape);
}
