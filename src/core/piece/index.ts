export type { Base, BaseShape, ChalkLine, Cloth, CornerRadius, Pad, PadEdge, PadRole, Piece } from './types';
export { checkPiece, checkRange, narrowestWidth } from './check-piece';
export { LIMITS } from './limits';
export { newChairSeat, STARTING_SHAPES } from './new-piece';
export { PIECE_SCHEMA } from './piece-schema';
export { PieceProblems, type Problem } from './problem';
