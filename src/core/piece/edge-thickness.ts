import type { Piece } from './schema';

/** A frame set in by less than this is reached by what goes under the board: fasteners go into it and cloth goes round it, mm. */
export const FRAME_REACHED = 15;

/** The frame that cover and fasteners reach at the edge; null where there is none, or it lies farther in. */
export function edgeFrame({ frame }: Pick<Piece['base'], 'frame'>): Piece['base']['frame'] | null {
  return frame && frame.inset < FRAME_REACHED ? frame : null;
}

/**
 * How far down the cover goes over the base's edge before it turns under, mm: the board, and a frame flush below it. Where the frame
 * is set in a little the cloth is pulled straight from the board's lower edge to the frame's: by what that slant is longer.
 *
 * @param base of the document
 */
export function edgeThickness(base: Pick<Piece['base'], 'board' | 'frame'>): number {
  const frame = edgeFrame(base);
  return base.board.thickness + (frame ? Math.hypot(frame.inset, frame.thickness) - frame.inset : 0);
}
