import { record, tag } from '../fields';
import { padRim } from './rim';

/** As the foam is cut. */
export const square = padRim({
  id: 'square',
  name: 'Square edge',
  schema: record({ kind: tag('square') }),
  soft: false,
  whole: true,
  first: () => ({ kind: 'square' as const }),
  step: (_, thickness) => thickness,
  thickness: (_, { thickness }) => thickness,
  reach: () => 0,
  words: () => null,
  work: 'rim',
});
