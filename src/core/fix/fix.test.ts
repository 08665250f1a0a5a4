import { describe, expect, it } from 'vitest';
import { newChairSeat, type BaseShape } from '../piece';
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
  it('fullness is θ·(side + return), pleats ⌈F / 2a⌉, and the cut stops short of the board’s edge', () => {
    const shape: BaseShape = { type: 'rectangle', width: 400, depth: 400, cornerRadius: { front: 40, back: 40 } };
    const plan = planPiece({ ...newChairSeat(shape), wadding: null }, {}, QUICK);
    for (const corner of plan.corners) {
      const station = plan.stations.find((s) => s.id === corner.station)!;
      expect(corner.fullness).toBeCloseTo((Math.PI / 2) * (station.side + station.return), 1);
      expect(corner.pleats).toBe(Math.ceil(corner.fullness / 30));
      const growth = station.top - station.planDistance;
      const root = Math.hypot(corner.cut.to[0] - station.x, corner.cut.to[1] - station.y);
      expect(root).toBeCloseTo(growth + station.side + 12, 1);
    }
  });

  it('relief cuts round a circle overlap by no more than the rule at their root', () => {
    const plan = planPiece(newChairSeat({ type: 'round', diameter: 380 }), {}, QUICK);
    const relief = plan.cover.relief!;
    expect((relief.pitch * 12) / 190).toBeLessThanOrEqual(1.5);
    expect(relief.cuts.length * relief.pitch).toBeCloseTo(Math.PI * 380, 0);
  });
});
