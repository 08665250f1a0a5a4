export { checkPiece, narrowestWidth } from './check-piece';
export { likelyDress, panelBoard, panelWidth, wallInStep, withFilledWall } from './set';
export { checkShape } from './shape';
