import { CAUTIONS } from '../../step/cautions';
import { edgeHold } from '../edge-hold';

/** Screws with cup washers: few, strong, and taken out again; in sight they are a line of their own. */
export const screws = edgeHold({
  id: 'screws',
  name: 'Screws with cup washers',
  words: 'Few and strong, taken out again for the next cover.',
  apart: 88,
  ware: { kind: 'fastener', sort: 'screw', name: 'Fasteners' },
  each: 0.8,
  lengths: [10, 12, 16, 20, 25, 30],
  bite: 8,
  size: (length) => ({ says: `3.5 × ${length} mm, each with its cup washer`, sold: { thickness: 3.5, length } }),
  temporary: 'a temporary tack or clamp beside each',
  how: 'drill 2 mm first, through cloth and board, the cloth pierced with an awl so that it does not wind round the drill; turn each home by hand.',
  caution: CAUTIONS.rivets,
  one: 'screw',
  trimmed: 'outside the washers',
});
