import { wayOf } from '../../cover';
import { offsetPolygon, polygonPerimeter } from '../../outline';
import { CAUTIONS } from '../../step/cautions';
import { step } from '../../step/step';
import { heldBy } from '../held';
import type { Fastener, Fastening } from './fastener';

/** Width of the tape: staples and the cloth's raw edge lie under it, mm. */
const WIDTH = 25;
/** One end laps over the other by this, mm. */
const LAP = 25;
/** Gluing a metre on, minutes. */
const METRE = 2;

/** From its start round to its lap, along the staples, mm. */
const round = ({ model }: Fastening): number => polygonPerimeter(offsetPolygon(model.board, -model.rule('return')) ?? model.board) + LAP;

/** Tape glued over the staples of a piece that is lifted off and looked at from below, where no dust cover hides them. */
export const edgeTape: Fastener = {
  id: 'edge-tape',
  name: 'Edge tape',
  kind: 'other',
  ware: { kind: 'card', sort: 'edge-tape', name: 'Edge tape' },
  words: 'Over the staples and the raw edge, on what is lifted off and turned over.',
  caution: CAUTIONS.glue,
  used: ({ model }) => Boolean(model.piece.covering.edgeTape) && heldBy(model) !== null && !wayOf(model.piece.covering.way).loose,
  size: () => ({ says: `${WIDTH} mm, woven`, fits: true, sold: { width: WIDTH } }),
  places: () => [],
  bulk: { unit: 'thread', amount: round },
  glued: (fastening) => round(fastening) * WIDTH,
  spare: (rule) => rule('stapleSpare'),
  steps: (fastening) => ({
    finish: [
      step(
        'edge-tape',
        'Edge tape over the staples',
        `${Math.round(round(fastening))} mm of tape ${WIDTH} mm wide, its middle on the staples, from the middle of the back: glue a hand’s breadth at a time, fold it flat at the corners, lap its end ${LAP} mm over its start. No staple and no raw edge is left to catch on.`,
        (round(fastening) / 1000) * METRE,
        { uses: ['card', 'glue'], caution: CAUTIONS.glue },
      ),
    ],
  }),
};
