// Planning, in bare sweeps: cold, and after the changes that a hand makes most.
import { checkBoard } from '../src/core/base';
import { modelOf } from '../src/core/padding';
import { foamOf, newChairSeat, newPiece, type Piece } from '../src/core/piece';
import { createPlanner, PLAN_PARTS, planPiece, sheetView, sitView, type PlanPart } from '../src/core/plan';
import { foamChart } from '../src/core/seat-check';
import { bySweeps, report } from './measure';

const chair = newChairSeat();
const headboard: Piece = newPiece('headboard-bordered', {
  type: 'rectangle',
  width: 1600,
  depth: 1100,
  cornerRadius: { front: 0, back: 0 },
});
let turn = 0;

/** The crown a little higher every time, so that nothing is found again. */
function crowned(piece: Piece): Piece {
  turn += 1;
  return { ...piece, pads: piece.pads.map((pad, i) => (i === 0 ? { ...pad, thickness: pad.thickness + (turn % 997) * 0.013 } : pad)) };
}

/** A sheet as its page asks for it: what its stage looks at. */
function sheet(parts: readonly PlanPart[], preview = false): (piece: Piece) => unknown {
  const planner = createPlanner();
  return (piece) => sheetView({ piece, house: {}, parts, preview }, planner);
}

console.log('\nPlanning');
report(
  'a chair seat, cold',
  bySweeps(() => planPiece(crowned(chair), {}, { planner: createPlanner() })),
  500,
);
const cover = sheet(PLAN_PARTS);
cover(chair);
report(
  'a chair seat after a change of allowance',
  bySweeps(() => cover({ ...chair, overrides: { grip: 30 + (turn++ % 90) / 10 } }), 25),
  30,
);
const dragged = sheet([], true);
report(
  'a chair seat, crown dragged, redrawn',
  bySweeps(() => dragged(crowned(chair)), 25),
  100,
);
const settled = sheet([]);
report(
  'the same once the hand rests',
  bySweeps(() => settled(crowned(chair))),
  1000,
);
const wall = sheet(PLAN_PARTS);
report(
  'a headboard of 1600 × 1100, settled',
  bySweeps(() => wall(crowned(headboard)), 4),
  2000,
);
report(
  'sitting on a chair seat',
  bySweeps(() => sitView(crowned(chair), {}, createPlanner()), 5),
  3000,
);
const { rule } = modelOf(chair, {});
report(
  'a board bent under a load',
  bySweeps(() => {
    turn += 1;
    const outline = { type: 'rectangle' as const, width: 450 + (turn % 900) * 0.1, depth: 420, cornerRadius: { front: 0, back: 0 } };
    const piece = { ...chair, base: { ...chair.base, shape: outline } };
    const model = modelOf(piece, {});
    return checkBoard({ piece, outline: model.outline, at: [0, 0], rule, keep: model.keep });
  }),
  500,
);
const foam = foamOf(chair, chair.pads.at(-1)!.material)!;
report(
  'the whole foam chart',
  bySweeps(
    () => [
      ...foamChart([50, 60, 70, 80, 90, 100, 110, 120], [30, 40, 50, 60, 80, 100], foam, {
        share: 78,
        leastLeft: 10,
        mostStrain: 0.7,
        pull: 0.09,
      }),
    ],
    1,
  ),
  8000,
);
