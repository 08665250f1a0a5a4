import { describe, expect, it } from 'vitest';
import { baseOutline, distanceTo, outlineSize } from '../../outline';
import { newPiece, type Buttons, type Piece } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { coveredBy, STARTING } from '../choices';
import { inspectPlan } from '../../inspection';
import { sizesOf } from '../../sizes';
import { sharedPlanner } from '../../../testing/quick';
import { spreadButtons } from './buttons';

const start = newPiece('headboard');
const board = outlineSize(baseOutline(start.base.shape));
const covered = (buttons: Buttons): Piece => ({ ...start, covering: { ...start.covering, way: 'buttoned', buttons } });
const planned = (piece: Piece): Plan => planPiece(piece, {}, { sits: false, coarse: true, planner: sharedPlanner });
const square: Buttons = { ...STARTING.buttons, columns: 5, rows: 3, spacing: 200, down: null };
const diamond: Buttons = { ...square, grid: 'diamond', down: 150 };

describe('buttons', () => {
  it('are spread over the board when the way is chosen, half a step from its edges, not in a bunch in its middle', () => {
    const { buttons } = coveredBy(start.covering, 'buttoned', board);
    const { columns, rows, spacing, down } = buttons!;
    // A master sets the outermost between 70 and 130 mm in at a spacing near 180.
    for (const margin of [(board.width - (columns - 1) * spacing) / 2, (board.depth - (rows - 1) * down!) / 2]) {
      expect(margin).toBeGreaterThan(70);
      expect(margin).toBeLessThan(130);
    }
    for (const step of [spacing, down!]) expect(Math.abs(step - STARTING.buttons.spacing)).toBeLessThan(40);
    // What somebody set out is left as it is.
    expect(coveredBy({ ...start.covering, buttons: square }, 'buttoned', board).buttons).toEqual(square);
    expect(coveredBy(start.covering, 'boxed', board).buttons).toBeUndefined();
  });

  it('that would come on the rim of an arched board are left out, and the run sheet says so', () => {
    const spread = coveredBy(start.covering, 'buttoned', board).buttons!;
    const plan = planned(covered(spread));
    const { count, places } = plan.cover.buttons!;
    expect(count).toBeLessThan(spread.columns * spread.rows);
    expect(count).toBeGreaterThan(spread.columns * spread.rows - 5);
    for (const { x, y } of places) expect(distanceTo(plan.outline.points, [x, y])).toBeGreaterThan(29.9);
    expect(plan.steps.find(({ key }) => key === 'button-holes')!.detail).toContain('none within 30 mm of the edge');
  });

  it('of a diamond grid lie half a step over in every second row, all on the board', () => {
    const { places, count } = planned(covered(diamond)).cover.buttons!;
    expect(count).toBe(5 + 4 + 5);
    const rows = [0, 1, 2].map((row) => places.filter(({ y }) => Math.abs(y - (places[0]!.y + row * 150)) < 0.01).map(({ x }) => x));
    expect(rows.map(({ length }) => length)).toEqual([5, 4, 5]);
    expect(rows[1]!.map((x, k) => x - rows[0]![k]!)).toEqual([100, 100, 100, 100].map((step) => expect.closeTo(step, 6)));
  });

  it('dip along the diagonals of a diamond: cloth over one of 180 drawn in 18', () => {
    const plan = planned(covered(diamond)).cover.buttons!;
    const between = Math.hypot(100, 150);
    expect(plan.spacing).toBeCloseTo(between, 2);
    expect(plan.run).toBeCloseTo(2 * Math.hypot(between / 2, 18), 2);
    // The diagonal of the opened grid is as long as the cloth over it.
    expect(Math.hypot(100 + plan.takeUp / 2, 150 + plan.takeUpDown)).toBeCloseTo(plan.run, 2);
  });

  it.each([
    ['square', square],
    ['square with another row spacing', { ...square, down: 140 }],
    ['diamond', diamond],
  ] as const)('%s: the cloth is longer by what each step takes, and passes its inspection', (_name, buttons) => {
    const piece = covered(buttons);
    const [plain, plan] = [planned({ ...piece, covering: { ...piece.covering, way: 'pull-over' } }), planned(piece)];
    const { takeUp, takeUpDown } = plan.cover.buttons!;
    const [before, after] = [plain.cover.pieces[0]!, plan.cover.pieces[0]!];
    expect(after.width - before.width).toBeCloseTo(buttons.columns * takeUp, 0);
    expect(after.height - before.height).toBeCloseTo(buttons.rows * takeUpDown, 0);
    expect(inspectPlan({ plan, sizes: sizesOf(plan, piece, {}) })).toEqual([]);
    const words = plan.steps.find(({ key }) => key === 'button-holes')!.detail;
    if (buttons.grid === 'diamond') expect(words).toContain('every second row half a step over with 4');
    else expect(words).not.toContain('half a step');
  });

  it('spread as diamonds they are higher than wide', () => {
    const { columns, rows, spacing, down } = spreadButtons(board, { ...square, grid: 'diamond' });
    expect(2 * down!).toBeGreaterThan(spacing * 1.2);
    expect((columns - 1) * spacing).toBeLessThan(board.width);
    expect((rows - 1) * down!).toBeLessThan(board.depth);
  });
});
