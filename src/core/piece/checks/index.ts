export { checkPiece, narrowestWidth } from './check-piece';
export { panelBoard, panelWidth } from './set';
export { checkShape } from './shape';
