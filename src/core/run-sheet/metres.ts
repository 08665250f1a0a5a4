import { polygonPerimeter, type Polygon } from '../outline';

/** Length round flat pieces, m: what the knife or the shears go. */
export function metresRound(pieces: readonly { outline: Polygon }[]): number {
  return pieces.reduce((sum, piece) => sum + polygonPerimeter(piece.outline) / 1000, 0);
}

/** A flat piece as large as it is cut, across and along its grain: to the millimetre that the sizes say. */
export const sizeOf = ({ width, height }: { width: number; height: number }): string => `${Math.round(width)} × ${Math.round(height)} mm`;
