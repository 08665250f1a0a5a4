import { polygonPerimeter, type Polygon } from '../outline';

/** Length round flat pieces, m: what the knife or the shears go. */
export function metresRound(pieces: readonly { outline: Polygon }[]): number {
  return pieces.reduce((sum, piece) => sum + polygonPerimeter(piece.outline) / 1000, 0);
}
