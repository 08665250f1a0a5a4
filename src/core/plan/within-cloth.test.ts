import { describe, expect, it } from 'vitest';
import { newChairSeat, type Piece } from '../piece';
import { sharedPlanner } from '../../testing/quick';
import { planPiece } from './plan';
import { savings } from './savings';
import { withinCloth, type WithinCloth } from './within-cloth';

/** A rectangular seat so wide that two just do not lie abreast on the roll. */
const wide = (width: number, count: number): Piece => ({
  ...newChairSeat({ type: 'rectangle', width, depth: 420, cornerRadius: { front: 30, back: 30 } }),
  count,
});
const asked = (piece: Piece) => ({ piece, house: {}, planner: sharedPlanner });
const length = (piece: Piece): number => planPiece(piece, {}, { sits: false, planner: sharedPlanner }).cut.cloth.length;
const within = (piece: Piece, have: number): WithinCloth => withinCloth(asked(piece), have)!;
const four = wide(510, 4);
const takes = length(four);

describe('only so much cloth', () => {
  it('that is enough asks for nothing', () => {
    expect(within(four, takes + 300)).toEqual({ takes, have: takes + 300, ways: [], short: 0, pieces: 4 });
    expect(within(four, takes).ways).toEqual([]);
  });

  it('that is a little short is made enough by one change, each of which really fits it; what gives up least first', () => {
    const have = takes - 20;
    const { ways, short } = within(four, have);
    expect(short).toBe(0);
    expect(ways.length).toBeGreaterThan(0);
    for (const { id, apply, cloth } of ways) {
      expect(length(apply), id).toBeLessThanOrEqual(have + 1e-6);
      expect(takes - length(apply), id).toBeCloseTo(cloth, 3);
    }
    // What gives up more of the same is not offered beside what gives up less.
    expect(ways.map(({ id }) => id).filter((id) => id === 'grip' || id === 'return').length).toBeLessThan(2);
    // No milder rung of the same would have done.
    const grip = ways.find(({ id }) => id === 'grip');
    if (grip) expect(length({ ...four, overrides: { grip: grip.apply.overrides.grip! + 2 } })).toBeGreaterThan(have);
  });

  it('is found wherever a saving brings the whole down to it, and said to be short below what everything together saves', () => {
    const most = Math.max(...savings(asked(four)).map(({ cloth }) => cloth));
    expect(within(four, takes - most).short).toBe(0);
    const none = within(four, takes * 0.2);
    expect(none.ways).toEqual([]);
    // By its own words that much more would do.
    expect(none.short).toBeGreaterThan(0);
    expect(within(four, none.have + none.short).short).toBe(0);
  });

  it('says how many of a set come out of it as they are planned', () => {
    for (const [have, least] of [
      [length(wide(510, 3)), 3],
      [length(wide(510, 3)) - 1, 2],
      [length(wide(510, 1)) - 1, 0],
    ] as const) {
      const { pieces } = within(four, have);
      expect(pieces).toBe(least);
      if (pieces > 0) expect(length(wide(510, pieces))).toBeLessThanOrEqual(have);
      expect(length(wide(510, pieces + 1))).toBeGreaterThan(have);
    }
  });

  it('leaves no half answer where nobody wants to know any more', () => {
    const gone = withinCloth({ ...asked(four), tell: () => false }, takes - 20)!;
    expect(gone.ways).toEqual([]);
  });
});
