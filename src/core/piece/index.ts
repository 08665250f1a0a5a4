export { checkPiece, checkShape, narrowestWidth, panelBoard, panelWidth } from './checks';
export { foamOf, foamsOf } from './foams';
export { KINDS, kindOf, shapesFor, type Kind, type PieceKind, type Traits } from './kinds';
export { newChairSeat, newPiece } from './new-piece';
export { begunPiece, begunShape, examplesOf, type Begun } from './begun';
export { migrate } from './migrate';
export { PieceProblems, type Problem } from './problem';
export * from './schema';
export { firstPatch, firstPocket, freeId, rimOf, withCrown, withPad } from './stack-changes';
