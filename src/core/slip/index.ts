export { printFigure } from './print-figure';
export { slipOf } from './slip';
export type { SlipLine, SlipUnit, Term } from './types';
