// npm run bench: measured speed of the core. Figures are medians of many runs in one process, each with its target.
import { readFileSync } from 'node:fs';
import { coveredSurface, modelOf, sectionAtChalk } from '../src/core/build';
import { stationSections } from '../src/core/cover';
import { sitPlan } from '../src/core/sit';
import { parsePiece } from '../src/core/piece/validate-piece';
import { checkBoard } from '../src/core/base';
import { baseOutline, drawNodes, flatten } from '../src/core/outline';
import { newPiece, STARTING_SHAPES } from '../src/core/piece';
import { planPiece } from '../src/core/plan';
import { sheetView } from '../src/core/view';

const RUNS = 60;
const WARM_UP = 15;

function measure(work: () => unknown): { median: number; worst: number } {
  const times: number[] = [];
  for (let i = 0; i < RUNS + WARM_UP; i++) {
    const start = performance.now();
    work();
    if (i >= WARM_UP) times.push(performance.now() - start);
  }
  times.sort((a, b) => a - b);
  return { median: times[Math.floor(times.length / 2)]!, worst: times.at(-1)! };
}

const set = parsePiece(readFileSync(new URL('../demo/dome-room-chairs.json', import.meta.url), 'utf8'));
const one = { ...set, count: 1 };
const model = modelOf(set, {});
const saddle = newPiece('saddle');
const corner = newPiece('corner-seat', STARTING_SHAPES.corner);
const many = Array.from({ length: 400 }, (_, i) => {
  const angle = (i * 2 * Math.PI) / 400;
  return { x: 220 * Math.cos(angle), y: 200 * Math.sin(angle), radius: 0, to: { kind: 'smooth' as const } };
});
let wider = 0;
/** A board that was not bent before: its result is kept, and would be found again. */
function bendAnother(): unknown {
  wider += 1;
  const outline = baseOutline({ ...STARTING_SHAPES.trapezoid, frontWidth: 450 + wider * 0.1 });
  return checkBoard(one, outline, [0, 0], model.rule);
}
const seat = newPiece('chair-seat', { type: 'rectangle', width: 450, depth: 450, cornerRadius: { front: 0, back: 0 } });
const headboard = {
  ...newPiece('headboard-bordered', { type: 'rectangle', width: 1600, depth: 1100, cornerRadius: { front: 0, back: 0 } }),
  count: 1,
};
const seatModel = modelOf(seat, {});
const seatCovered = coveredSurface(seatModel, stationSections(seatModel));
let step = 0;
/** The crown a little higher every time, so that nothing is found again. */
function changed(piece: typeof seat): typeof seat {
  step += 1;
  return { ...piece, pads: piece.pads.map((pad, i) => (i === 0 ? { ...pad, thickness: pad.thickness + (step % 997) * 0.013 } : pad)) };
}

const rows: { name: string; work: () => unknown; target: number }[] = [
  { name: 'planPiece, one chair seat', work: () => planPiece(one, {}), target: 60 },
  { name: 'planPiece, the set of eight', work: () => planPiece(set, {}), target: 60 },
  { name: 'planPiece, saddle pan of eight sections', work: () => planPiece(saddle, {}), target: 120 },
  { name: 'planPiece, seat round a corner', work: () => planPiece(corner, {}), target: 120 },
  {
    name: 'an outline of 400 smooth points drawn',
    work: () => flatten(drawNodes({ nodes: many, mirrored: false }).outline, 0.1),
    target: 8,
  },
  { name: 'a board bent (new outline each time)', work: () => bendAnother(), target: 120 },
  { name: 'one section under the chalk line', work: () => sectionAtChalk(model, set.chalk), target: 4 },
  { name: 'the sheet settled, 450 × 450 seat, changed', work: () => sheetView(changed(seat), {}), target: 300 },
  { name: 'the sheet while dragging, the same', work: () => sheetView(changed(seat), {}, true), target: 16 },
  { name: 'the sheet settled, 1600 × 1100 headboard', work: () => sheetView(changed(headboard), {}), target: 1500 },
  { name: 'a sitting on a covered seat', work: () => sitPlan(seatModel, seatCovered), target: 400 },
];
console.log(`${'measured'.padEnd(36)}${'median ms'.padStart(11)}${'worst ms'.padStart(11)}${'target ms'.padStart(11)}`);
let first = 0;
for (const { name, work, target } of rows) {
  const { median, worst } = measure(work);
  first ||= median;
  const verdict = median <= target ? '' : '  over target';
  console.log(
    `${name.padEnd(36)}${median.toFixed(1).padStart(11)}${worst.toFixed(1).padStart(11)}${String(target).padStart(11)}${verdict}  ×${(median / first).toFixed(2)} of the first`,
  );
}
