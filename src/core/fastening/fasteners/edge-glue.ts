import { polygonPerimeter } from '../../outline';
import { CAUTIONS } from '../../step/cautions';
import { edgeHold } from '../edge-hold';
import { shareHeld } from '../held';

/** Both faces get a coat. */
const FACES = 2;

/** The edge glued down under the base, for boards that nothing can be driven into. */
export const edgeGlue = edgeHold({
  id: 'glue',
  name: 'Glue',
  words: 'Both faces, laid when tacky: for boards that take no fastener.',
  apart: 120,
  ware: { kind: 'glue', name: 'Glue' },
  each: 0.5,
  size: () => ({ says: 'contact glue, both faces' }),
  temporary: 'masking tape or clamps',
  how: 'mark the line under the base, coat cloth and base both up to it, wait until it is tacky as its sheet says; from the centres outwards lay, pull and rub down, a hand’s breadth at a time; corners last, each fold glued by itself. It is not loaded before its press time is over.',
  caution: CAUTIONS.glue,
  one: 'hand’s breadth',
  trimmed: 'beyond the glued strip, once it holds',
  bulk: {
    unit: 'area',
    amount: ({ model }) =>
      FACES * shareHeld(model, 'glue') * polygonPerimeter(model.board) * (model.rule('return') + model.rule('stapleToTrim')),
  },
});
