import type { Piece } from '../piece';

/** A frame set in by less than this lies behind the staple line, mm. */
const FRAME_REACHED = 15;
/** What a staple can go into at the edge: the board and the frame behind it, mm. */
export function fasteningDepth({ base }: Pick<Piece, 'base'>): number {
  const { board, frame } = base;
  return board.thickness + (frame && frame.inset < FRAME_REACHED ? frame.thickness : 0);
}
