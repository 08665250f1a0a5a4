import { polygonPerimeter, type Polygon } from '../outline';

/** Length round flat pieces, m: what the knife or the shears go. */
export function metresRound(pieces: readonly { outline: Polygon }[]): number {
  return pieces.reduce((sum, piece) => sum + polygonPerimeter(piece.outline) / 1000, 0);
}

/** What no shears can tell, mm. */
const NOTHING = 0.05;

/** What is cut is cut to the millimetre, never too short. */
export const cut = (mm: number): number => Math.ceil(mm - NOTHING);

/** A flat piece as large as it is cut, across and along its grain: to the millimetre that the sizes say. */
export const sizeOf = ({ width, height }: { width: number; height: number }): string => `${Math.round(width)} × ${Math.round(height)} mm`;
