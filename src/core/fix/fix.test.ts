import { describe, expect, it } from 'vitest';
import { newChairSeat, newPiece, STARTING_SHAPES, type BaseShape } from '../piece';
import { cornerWords } from '../cover';
import { planPiece } from '../plan';
import { stapleLeg } from '.';

/** No sitting and larger triangles: these tests ask for neither. */
const QUICK = { sits: false, coarse: true };

const rules = { bite: 6, clear: 2 };

describe('stapleLeg', () => {
  it.each([
    [1, 12, 8, true],
    [2, 18, 10, true],
    [3.5, 18, 14, true],
    [1, 6, 4, false],
    [4, 12, 10, false],
  ])('cloth %d on a board of %d: leg %d', (cloth, board, leg, fits) => {
    expect(stapleLeg(cloth, board, rules)).toMatchObject({ leg, fits });
    if (fits) {
      expect(leg).toBeGreaterThanOrEqual(2 * cloth + 6);
      expect(leg).toBeLessThanOrEqual(board - 2);
    }
  });
});

describe('the order of stapling', () => {
  const plan = planPiece(newChairSeat(), {}, QUICK);
  const { order } = plan.fixing;

  it('takes the centres of opposite sides first and the corners last', () => {
    expect(order.slice(0, 4).map((s) => s.edge)).toEqual(['front', 'back', 'left', 'right']);
    expect(order.slice(0, 4).every((s) => s.kind === 'centre')).toBe(true);
    const firstCorner = order.findIndex((s) => s.kind === 'corner');
    expect(order.slice(firstCorner).every((s) => s.kind === 'corner')).toBe(true);
    expect(order[firstCorner]!.edge).not.toBe(order.at(-1)!.edge);
  });

  it('works outwards: every later staple of an edge is at least as far from its centre', () => {
    for (const edge of ['front', 'back']) {
      const own = order.filter((s) => s.edge === edge && s.kind !== 'corner').map((s) => Math.abs(s.x));
      own.forEach((x, i) => i > 0 && expect(x).toBeGreaterThanOrEqual(own[i - 1]! - 0.01));
    }
  });

  it('keeps to the pitch and leaves the corners open', () => {
    const front = order
      .filter((s) => s.edge === 'front' && s.kind !== 'corner')
      .map((s) => s.x)
      .sort((a, b) => a - b);
    front.forEach((x, i) => i > 0 && expect(x - front[i - 1]!).toBeLessThanOrEqual(22.01));
    expect(front.at(-1)! - front[0]!).toBeLessThan(450 - 2 * 50);
  });

  it('round: even all the way, opposite places in turn', () => {
    const shape: BaseShape = { type: 'round', diameter: 380 };
    const round = planPiece(newChairSeat(shape), {}, QUICK).fixing.order;
    const angles = round.map((s) => Math.atan2(s.y, s.x)).sort((a, b) => a - b);
    const gap = (2 * Math.PI) / round.length;
    angles.forEach((a, i) => i > 0 && expect(a - angles[i - 1]!).toBeCloseTo(gap, 2));
    expect(round[0]!.x + round[1]!.x).toBeCloseTo(0, 1);
    expect(round[0]!.y + round[1]!.y).toBeCloseTo(0, 1);
  });
});

describe('corners', () => {
  const shape: BaseShape = { type: 'rectangle', width: 400, depth: 400, cornerRadius: { front: 40, back: 40 } };

  it('fullness is θ·(side + return); what does not ease is tucked', () => {
    const plan = planPiece({ ...newChairSeat(shape), wadding: null }, {}, QUICK);
    for (const corner of plan.corners) {
      const station = plan.stations.find((s) => s.id === corner.station)!;
      expect(corner.fullness).toBeCloseTo((Math.PI / 2) * (station.side + station.return), 1);
      expect(corner.eased + 2 * corner.pleats * corner.depth).toBeCloseTo(corner.fullness, 1);
      expect(corner.depth).toBeLessThanOrEqual(25);
    }
  });

  it('say the same in the drawing, the staples, the steps and the minutes', () => {
    const plan = planPiece(newChairSeat(), {}, QUICK);
    const words = plan.steps.find(({ key }) => key === 'corners')!;
    expect(plan.corners.map(cornerWords)).toEqual(Array(4).fill('2 tucks'));
    expect(words.detail).toBe('4 × 2 tucks.');
    // One staple in the middle and one for each tuck.
    expect(plan.fixing.order.filter(({ kind }) => kind === 'corner')).toHaveLength(4 * 3);
    expect(words.minutes).toBe(16);
    const bench = planPiece(newPiece('bench'), {}, QUICK);
    expect(bench.corners.map(cornerWords)).toEqual(Array(4).fill('parcel fold'));
    const boxed = planPiece({ ...newChairSeat(), covering: { way: 'boxed' } }, {}, QUICK);
    expect(boxed.corners.map(({ pleats }) => pleats)).toEqual([0, 0, 0, 0]);
  });

  it('a round pulled seat of 380 is gathered, with a dozen snips at the most and not one to every staple', () => {
    const plan = planPiece(newChairSeat({ type: 'round', diameter: 380 }), {}, QUICK);
    const relief = plan.cover.relief!;
    expect(relief.gather).toBeGreaterThan(0);
    expect(relief.cuts.length).toBeLessThanOrEqual(12);
    expect(relief.cuts.length).toBeLessThanOrEqual(plan.fixing.order.length / 2);
    expect(plan.steps.find(({ key }) => key === 'relief')!.detail).toContain('gathered under the board');
    // A large round one asks less of each staple than it can gather.
    const large = planPiece(newChairSeat({ type: 'round', diameter: 1400 }), {}, QUICK);
    expect(large.cover.relief?.cuts ?? []).toEqual([]);
  });

  it('a hollow opens by no more than the rule at the root of its cuts', () => {
    const kidney = planPiece(newPiece('bench', STARTING_SHAPES.kidney), {}, QUICK);
    const hollow = kidney.cover.relief!.cuts;
    expect(hollow.length).toBeGreaterThan(2);
  });
});
