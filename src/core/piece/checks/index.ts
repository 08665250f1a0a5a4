export { checkPiece, narrowestWidth } from './check-piece';
export { panelWidth } from './set';
export { checkShape } from './shape';
