import { CAUTIONS } from '../../step/cautions';
import { edgeHold } from '../edge-hold';

/** Tacks by hand: slower than staples, drawn again without a mark, and the old way on old frames. */
export const tacks = edgeHold({
  id: 'tacks',
  name: 'Tacks',
  words: 'By hand, half driven first and drawn again where the cloth lies wrong.',
  apart: 25,
  ware: { kind: 'fastener', sort: 'tack', name: 'Fasteners' },
  each: 0.25,
  lengths: [6, 8, 10, 13, 16, 20],
  bite: 6,
  size: (length) => ({ says: `${length} mm`, sold: { length } }),
  temporary: 'tacks half driven',
  how: 'half driven all round, looked at from above, then home; the head flat on the cloth, never through it.',
  caution: CAUTIONS.tacks,
  one: 'tack',
  trimmed: 'outside the tacks',
});
