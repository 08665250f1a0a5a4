import { describe, expect, it } from 'vitest';
import { STARTING_SHAPES } from '../piece';
import { baseOutline, crossesItself, cutNotch, flatten, notchGrip, outlineArea, polygonArea, stations } from '.';

describe('notches', () => {
  const outline = baseOutline({ ...STARTING_SHAPES.rectangle, width: 450, depth: 420, cornerRadius: { front: 30, back: 0 } });

  it('a notch at a corner and one in an edge take exactly their areas', () => {
    const whole = outlineArea(outline);
    const corner = cutNotch(outline, { id: 'a', at: { kind: 'corner', name: 'back right' }, width: 45, depth: 60 });
    if (typeof corner === 'string') throw new Error(corner);
    expect(whole - outlineArea(corner)).toBeCloseTo(45 * 60, 6);
    const edge = cutNotch(corner, { id: 'b', at: { kind: 'edge', name: 'front', along: 20 }, width: 50, depth: 35 });
    if (typeof edge === 'string') throw new Error(edge);
    expect(outlineArea(corner) - outlineArea(edge)).toBeCloseTo(50 * 35, 6);
    expect(crossesItself(flatten(edge))).toBeNull();
    const inside = stations(edge).filter((place) => place.turn < 0);
    expect(inside).toHaveLength(3);
  });

  it('is taken hold of by its inside corner or its bottom, and follows', () => {
    const corner = { id: 'a', at: { kind: 'corner' as const, name: 'back right' }, width: 45, depth: 60 };
    const grip = notchGrip(outline, corner)!;
    expect(grip.at).toEqual([225 - 45, 210 - 60]);
    expect(grip.moved([175, 160])).toMatchObject({ width: 50, depth: 50 });
    expect(grip.moved([500, 500])).toMatchObject({ width: 10, depth: 2 });
    const left = notchGrip(outline, { ...corner, at: { kind: 'corner', name: 'back left' } })!;
    expect(left.moved([-170, 150])).toMatchObject({ width: 55, depth: 60 });
    const edge = notchGrip(outline, { id: 'b', at: { kind: 'edge', name: 'front', along: 20 }, width: 50, depth: 35 })!;
    expect(edge.at[0]).toBeCloseTo(20, 6);
    expect(edge.at[1]).toBeCloseTo(-210 + 35, 6);
    expect(edge.moved([30, -170])).toMatchObject({ depth: 40, at: { along: 30 } });
    expect(notchGrip(outline, { ...corner, at: { kind: 'corner', name: 'nowhere' } })).toBeNull();
  });

  it('works on bowed edges and at rounded corners, and says why it cannot', () => {
    const bowed = baseOutline(STARTING_SHAPES.bowed);
    for (const at of [
      { kind: 'corner', name: 'back left' },
      { kind: 'edge', name: 'front', along: 0 },
    ] as const) {
      const cut = cutNotch(bowed, { id: 'a', at, width: 40, depth: 50 });
      if (typeof cut === 'string') throw new Error(cut);
      expect(outlineArea(cut)).toBeLessThan(outlineArea(bowed) - 1000);
      expect(polygonArea(flatten(cut))).toBeGreaterThan(0);
    }
    expect(cutNotch(outline, { id: 'a', at: { kind: 'edge', name: 'nowhere', along: 0 }, width: 40, depth: 50 })).toContain(
      'no nowhere edge',
    );
    expect(cutNotch(outline, { id: 'a', at: { kind: 'edge', name: 'front', along: 0 }, width: 40, depth: 700 })).toContain('in pieces');
  });
});
