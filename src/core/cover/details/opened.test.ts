import { polygonArea } from 'd3';
import { describe, expect, it } from 'vitest';
import { newPiece, type Piece } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { STARTING } from '../choices';
import { inspectPlan } from '../../inspection';
import { sizesOf } from '../../sizes';
import { sharedPlanner } from '../../../testing/quick';

/** Cloth that is opened for buttons or channels: everything drawn on it goes with it. */

const chair = newPiece('chair-seat');
const covered = (covering: Partial<Piece['covering']>): Piece => ({ ...chair, covering: { ...chair.covering, ...covering } });
const planned = (piece: Piece): Plan => planPiece(piece, {}, { sits: false, planner: sharedPlanner });
const buttons = { ...STARTING.buttons, columns: 3, rows: 2, spacing: 120 };
const lengthOf = (points: readonly (readonly [number, number])[]): number =>
  points.reduce((sum, [x, y], i) => sum + Math.hypot(points[(i + 1) % points.length]![0] - x, points[(i + 1) % points.length]![1] - y), 0);

describe('the top of a loose cover that is buttoned', () => {
  const [plain, buttoned] = [planned(covered({ way: 'block' })), planned(covered({ way: 'block', buttons }))];
  const top = (plan: Plan) => plan.cover.pieces.find(({ role }) => role === 'top')!;

  it('has the area of its outline, the edge as long as it is drawn, and its notches on it', () => {
    const { outline, area, sewn, edges, notches } = top(buttoned);
    expect(area).toBeCloseTo(Math.abs(polygonArea(outline.map(([x, y]): [number, number] => [x, y]))), -1);
    expect(edges[0]!.flat).toBeCloseTo(lengthOf(sewn), 0);
    expect(edges[0]!.flat).toBeGreaterThan(top(plain).edges[0]!.flat + 5);
    for (const { x, y } of notches) expect(Math.min(...sewn.map(([a, b]) => Math.hypot(a - x, b - y)))).toBeLessThan(0.01);
  });

  it('says by how much its seam is eased, and passes its inspection', () => {
    const seam = (plan: Plan) => plan.cover.seams.find(({ id }) => id === 'top')!;
    expect(seam(buttoned).ease).toBeCloseTo(top(buttoned).edges[0]!.flat - top(plain).edges[0]!.flat + seam(plain).ease, 0);
    expect(inspectPlan({ plan: buttoned, sizes: sizesOf(buttoned, covered({ way: 'block', buttons }), {}) })).toEqual([]);
  });
});

describe('a top that is split and channelled', () => {
  it('is quilted in both halves, as wide open the one as the other', () => {
    const channels = { ...STARTING.channels, width: 40, backing: 6 };
    const split = planned(covered({ way: 'boxed', split: 'depth', channels }));
    const halves = split.cover.pieces.filter(({ role }) => role === 'top');
    expect(halves).toHaveLength(2);
    const stitched = halves.map(({ lines }) => lines.filter(({ kind }) => kind === 'stitch').length);
    expect(stitched[0]).toBeGreaterThan(2);
    expect(stitched[1]).toBe(stitched[0]);
    expect(split.cover.channels!.lines).toBe(2 * stitched[0]!);
    expect(halves[0]!.width).toBeCloseTo(halves[1]!.width, -1);
    // Each lies on backed foam of its own.
    expect(split.cover.linings.filter(({ material }) => material === 'backed-foam')).toHaveLength(2);
  });
});

describe('a nailed headboard', () => {
  it('has its band in parts, joined at the bottom corners and at the top: in one strip it took 4.1 m of cloth at a third used', () => {
    const plan = planned(newPiece('headboard-nailed'));
    const parts = plan.cover.pieces.filter(({ role }) => role === 'band');
    expect(parts).toHaveLength(3);
    // Allowances at both ends of each; together they go round the board.
    expect(parts.reduce((sum, { width }) => sum + width - 24, 0)).toBeCloseTo(plan.cover.seams.find(({ id }) => id === 'lower')!.length, 0);
    expect(plan.cut.cloth.length).toBeLessThan(2000);
    expect(plan.cut.cloth.utilisation).toBeGreaterThan(0.6);
  });
});
