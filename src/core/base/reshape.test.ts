import { describe, expect, it } from 'vitest';
import { baseOutline, outlineArea, outlineSize } from '../outline';
import { checkShape, SHAPES, STARTING_SHAPES, type BaseShape } from '../piece';
import { reshape, withMirror } from './reshape';

const TYPES = SHAPES.map((shape) => shape.type);

describe('another shape of about the same size', () => {
  it.each(TYPES)('from %s: every other can be drawn', (from) => {
    for (const type of TYPES) {
      const shape = reshape(STARTING_SHAPES[from], type);
      expect(shape.type).toBe(type);
      // A few pairs ask for more than a size (a long low board as a D): then the field says what would fit.
      for (const problem of checkShape(shape)) expect(problem.message).toMatch(/would fit|makes it one|must be higher|at least|too much/);
    }
  });

  it.each(TYPES.filter((type) => type !== 'drawn'))('%s drawn freely is the very same outline', (type) => {
    const before = baseOutline(STARTING_SHAPES[type]);
    const drawn = reshape(STARTING_SHAPES[type], 'drawn');
    expect(checkShape(drawn)).toEqual([]);
    const after = baseOutline(drawn);
    expect(Math.abs(outlineArea(after) / outlineArea(before) - 1)).toBeLessThan(1e-6);
    expect(outlineSize(after).width).toBeCloseTo(outlineSize(before).width, 2);
    expect(outlineSize(after).depth).toBeCloseTo(outlineSize(before).depth, 2);
  });

  it('keeps the notches when it is drawn freely', () => {
    const notches = [{ id: 'n-1', at: { kind: 'corner' as const, name: 'back left' }, width: 40, depth: 50 }];
    const shape = { ...STARTING_SHAPES.rectangle, cornerRadius: { front: 20, back: 0 } };
    const drawn = reshape(shape, 'drawn', notches);
    expect(outlineArea(baseOutline(drawn))).toBeLessThan(outlineArea(baseOutline(shape)) - 900);
  });
});

describe('the mirror of a free outline', () => {
  const half = STARTING_SHAPES.drawn;

  it('turned off and on again is the same outline', () => {
    const whole = withMirror(half, false)!;
    const again = withMirror(whole as typeof half, true)!;
    for (const shape of [whole, again]) {
      expect(checkShape(shape)).toEqual([]);
      expect(Math.abs(outlineArea(baseOutline(shape)) / outlineArea(baseOutline(half)) - 1)).toBeLessThan(1e-4);
    }
    expect(withMirror(half, true)).toBe(half);
  });

  it('cannot be turned on for an outline beside the centre line', () => {
    const aside: BaseShape = {
      type: 'drawn',
      mirrored: false,
      nodes: [
        [100, 0],
        [300, 0],
        [300, 200],
        [100, 200],
      ].map(([x, y]) => ({ x: x!, y: y!, radius: 0, to: { kind: 'line' as const } })),
    };
    expect(withMirror(aside as typeof half, true)).toBeNull();
  });
});
