import type { BaseShape, Piece } from './types';

/** Sizes a shape starts from when nothing has been measured yet, mm. */
export const STARTING_SHAPES: Record<BaseShape['type'], BaseShape> = {
  rectangle: { type: 'rectangle', width: 450, depth: 420, cornerRadius: { front: 30, back: 30 } },
  trapezoid: { type: 'trapezoid', frontWidth: 450, backWidth: 390, depth: 420, cornerRadius: { front: 40, back: 20 } },
  round: { type: 'round', diameter: 380 },
};

/**
 * A drop-in chair seat ready to plan: a firm main pad over a low domed crown pad, medium wadding, plain cloth.
 *
 * @param [shape] the measured base; a trapezoid of common size otherwise
 */
export function newChairSeat(shape: BaseShape = STARTING_SHAPES.trapezoid): Piece {
  return {
    schema: 'fovea.piece/1',
    kind: 'chair-seat',
    name: 'Chair seat',
    count: 1,
    due: '',
    notes: '',
    base: { shape, board: { material: 'plywood', thickness: 12 } },
    pads: [
      { id: 'crown', role: 'crown', material: 'seat-medium', thickness: 13, offset: null, edge: { kind: 'domed' } },
      { id: 'main', role: 'main', material: 'seat-firm', thickness: 50, offset: null, edge: { kind: 'square' } },
    ],
    wadding: 'wadding-200',
    cloth: {
      name: 'Plain wool',
      rollWidth: 1400,
      thickness: 1,
      coated: false,
      direction: 'along',
      repeatAcross: 0,
      repeatAlong: 0,
      shrinkage: 0,
      pull: 'taut',
    },
    chalk: { x: 0, y: 0, angle: 0 },
    overrides: {},
  };
}
