export { checkPiece, narrowestWidth } from './check-piece';
export { panelBoard, panelWidth, wallInStep, withFilledWall } from './set';
export { checkShape } from './shape';
