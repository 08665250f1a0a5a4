import { edgeFrame, type Piece } from '../piece';

/** What a staple can go into at the edge: the board and the frame behind it, mm. */
export function fasteningDepth({ base }: Pick<Piece, 'base'>): number {
  return base.board.thickness + (edgeFrame(base)?.thickness ?? 0);
}
