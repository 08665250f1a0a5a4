import { offsetPolygon, polygonPerimeter } from '../../outline';
import { CAUTIONS } from '../../step/cautions';
import { edgeHold } from '../edge-hold';
import { shareHeld } from '../held';

/** What is left of a cord at both ends to draw and to knot, mm in all. */
const TO_DRAW = 400;

/** A cord in a hem along the cloth's edge, drawn up under the base. */
export const drawCord = edgeHold({
  id: 'cord',
  name: 'Draw-cord in a hem',
  words: 'A cord in a hem, drawn up under the base: nothing goes into it, and it comes off again.',
  apart: 200,
  ware: { kind: 'cord', sort: 'draw', name: 'Draw-cord' },
  each: 0.2,
  size: () => ({ says: '4 mm cord', sold: { thickness: 4 } }),
  temporary: 'a hand’s breadth at each is smoothed over and held by clips',
  how: 'pull the cover on; draw the cord up evenly from both ends, smooth the gathers under the base away from what is seen, knot it, and tuck the ends into the hem.',
  caution: CAUTIONS.shears,
  one: 'cord',
  sewn: { name: 'Hem the edge', words: 'a hem 15 mm wide, its ends open at the back; thread the cord through it.', rows: 1, metre: 6 },
  bulk: {
    unit: 'thread',
    amount: ({ model }) =>
      shareHeld(model, 'cord') * polygonPerimeter(offsetPolygon(model.board, -model.rule('return')) ?? model.board) + TO_DRAW,
  },
});
