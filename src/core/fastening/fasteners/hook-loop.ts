import { polygonPerimeter } from '../../outline';
import { CAUTIONS } from '../../step/cautions';
import { edgeHold } from '../edge-hold';
import { shareHeld } from '../held';

/** Hook tape under the base, loop tape sewn to the cover's edge. */
export const hookLoop = edgeHold({
  id: 'hook-loop',
  name: 'Hook and loop',
  words: 'Loop tape sewn to the edge, hook tape under the base: it comes off to be washed.',
  apart: 200,
  ware: { kind: 'hook', name: 'Hook and loop' },
  uses: ['glue'],
  each: 0.4,
  size: () => ({ says: '25 mm, both halves', sold: { width: 25 } }),
  temporary: 'pressed down a hand’s breadth at each',
  how: 'the hook half is glued under the base along the line. Pull from the centres and press down, corners last.',
  caution: CAUTIONS.machine,
  one: 'hand’s breadth',
  sewn: {
    name: 'Sew the loop tape on',
    words: 'the loop half along the cloth’s edge, its face down, both sides of it stitched.',
    rows: 2,
    metre: 6,
  },
  bulk: { unit: 'thread', amount: ({ model }) => shareHeld(model, 'hook-loop') * polygonPerimeter(model.board) },
});
