export { slipOf, type SlipLine, type SlipUnit, type Term } from './slip';
export { printFigure } from './print-figure';
