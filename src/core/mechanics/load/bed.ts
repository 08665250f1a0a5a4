import { SHEAR_SHARE } from '../../foam';
import { everySecond, type Columns } from './columns';

/** Padding on a grid, at rest under its cover, ready to be sat on. */
export type Bed = {
  columns: number;
  rows: number;
  step: number;
  x0: number;
  y0: number;
  there: Uint8Array;
  /** 1 where the board lies below: only there can the padding bottom out */
  board: Uint8Array;
  /** height before covering, and as covered, mm */
  rest: Float64Array;
  height: Float64Array;
  /** the board's top face */
  base: Float64Array;
  layers: Columns;
  /** layers that are padding proper */
  foams: readonly number[];
  pull: number;
};

/** Shear stiffness of all layers at each node, N/mm. */
export function shearOf(layers: Columns): Float64Array {
  const n = layers.thickness[0]?.length ?? 0;
  const shear = new Float64Array(n);
  layers.thickness.forEach((t, k) => {
    const g = (SHEAR_SHARE * layers.foams[k]!.curve.plateau) / 3;
    for (let i = 0; i < n; i++) shear[i]! += g * t[i]!;
  });
  return shear;
}

/**
 * The same padding at every second node.
 *
 * @param bed the padding
 */
export function halved(bed: Bed): Bed {
  const { columns: n, rows: m, layers } = bed;
  return {
    ...bed,
    columns: (n + 1) >> 1,
    rows: (m + 1) >> 1,
    step: 2 * bed.step,
    there: everySecond(bed.there, n, m),
    board: everySecond(bed.board, n, m),
    rest: everySecond(bed.rest, n, m),
    height: everySecond(bed.height, n, m),
    base: everySecond(bed.base, n, m),
    layers: { foams: layers.foams, thickness: layers.thickness.map((t) => everySecond(t, n, m)) },
  };
}
