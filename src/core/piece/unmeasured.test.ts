import { describe, expect, it } from 'vitest';
import { problemsOf } from '../document';
import { begunPiece, type Begun } from '../base';
import { afterMeasuring, newChairSeat, unmeasuredKeys, unmeasuredNames } from '.';

const begun: Begun = { kind: 'chair-seat', shape: 'rectangle', name: 'Porch', count: 4, thickness: null, typed: { width: 440 } };

describe('measurements that stand at a standard size', () => {
  it('are named from the first on: whatever nobody has typed', () => {
    const piece = begunPiece(begun);
    expect(unmeasuredNames(piece)).toEqual(['depth', 'front corner radius', 'back corner radius', 'board thickness']);
    expect([...unmeasuredKeys(piece)]).not.toContain('width');
    expect(problemsOf(piece)).toEqual([]);
    expect(
      begunPiece({ ...begun, thickness: 12, typed: { width: 440, depth: 420, 'cornerRadius.front': 30, 'cornerRadius.back': 20 } }),
    ).not.toHaveProperty('unmeasured');
    expect(unmeasuredNames(newChairSeat())).toEqual([]);
  });

  it('are measured once they are typed, the same figure or another, and once they are gone', () => {
    const before = begunPiece(begun);
    const { shape } = before.base;
    const deeper = { ...before, base: { ...before.base, shape: { ...shape, depth: 433 } } } as typeof before;
    expect(unmeasuredNames(afterMeasuring(before, deeper))).not.toContain('depth');
    expect(unmeasuredNames(afterMeasuring(before, { ...before }, 'base.board.thickness'))).not.toContain('board thickness');
    const round = { ...before, base: { ...before.base, shape: { type: 'round' as const, diameter: 400 } } } as unknown as typeof before;
    expect(unmeasuredNames(afterMeasuring(before, round))).toEqual(['board thickness']);
    // Something else that is changed measures nothing.
    expect(afterMeasuring(before, { ...before, notes: 'oak' }).unmeasured).toEqual(before.unmeasured);
  });

  it('rows of a table are named by column and row', () => {
    const saddle = begunPiece({ ...begun, kind: 'saddle', shape: null, typed: {} });
    expect(unmeasuredNames(saddle).some((name) => /, row 2$/.test(name))).toBe(true);
  });
});
