import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newChairSeat, newPiece, type BaseShape, type Pad, type Piece } from '../piece';
import { bridge, bridgeReach, freeHeight, heightAt, modelOf, sectionAlong, sectionAtChalk, stackAt } from '.';
import { domeHalfArc, domeHeight } from '../pad-rims';
import { weekly } from '../../testing/weekly';

const square: BaseShape = { type: 'rectangle', width: 400, depth: 400, cornerRadius: { front: 0, back: 0 } };
const pad = (role: Pad['role'], thickness: number, offset: number | null, edge: Pad['edge'] = { kind: 'square' }): Pad => ({
  id: `${role}-${thickness}`,
  role,
  material: 'seat-firm',
  thickness,
  offset,
  edge,
});
const piece = (shape: BaseShape, pads: Pad[], wadding: string | null = null): Piece => ({ ...newChairSeat(shape), pads, wadding });
const model = (shape: BaseShape, pads: Pad[], wadding: string | null = null) => modelOf(piece(shape, pads, wadding), {});

describe('dome', () => {
  it('rises to its height in the middle, ends at nothing, and is a circle between', () => {
    const [half, rise] = [180, 25];
    const radius = (half * half + rise * rise) / (2 * rise);
    expect(domeHeight(0, half, rise)).toBeCloseTo(rise, 9);
    expect(domeHeight(half, half, rise)).toBe(0);
    for (const r of [30, 90, 150]) {
      expect(Math.hypot(r, domeHeight(r, half, rise) + radius - rise)).toBeCloseTo(radius, 9);
    }
  });

  it('half arc is between the chord and the two straight sides, and a half ball is a quarter circle', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 400 }), fc.double({ min: 0.01, max: 1, noNaN: true }), (half, share) => {
        const rise = half * share;
        const arc = domeHalfArc(half, rise);
        expect(arc).toBeGreaterThanOrEqual(Math.hypot(half, rise) - 1e-6);
        expect(arc).toBeLessThanOrEqual(half + rise);
      }),
    );
    expect(domeHalfArc(100, 100)).toBeCloseTo((Math.PI / 2) * 100, 6);
    expect(domeHalfArc(100, 0)).toBe(100);
  });
});

describe('a section', () => {
  it('shows board and pads where they are, in any direction', () => {
    const built = model(square, [pad('crown', 20, -40), pad('main', 50, 6)]);
    const section = sectionAlong(built, [0, 30], [1, 0])!;
    expect(section.board).toMatchObject({ left: -200, right: 200, thickness: 12 });
    expect(section.pads.map((cut) => [cut.left, cut.right])).toEqual([
      [-160, 160],
      [-206, 206],
    ]);
    const [crown, main] = section.pads;
    expect(heightAt(crown!.upper, 0)).toBeCloseTo(20, 6);
    expect(heightAt(main!.upper, 0)).toBeCloseTo(70, 6);
    expect(heightAt(main!.upper, 203)).toBeCloseTo(50 + bridge(43, 20, 50), 0);
    const diagonal = sectionAlong(built, [0, 0], [Math.SQRT1_2, Math.SQRT1_2])!;
    expect(diagonal.board.right - diagonal.board.left).toBeCloseTo(400 * Math.SQRT2, 6);
  });

  it('that misses the board is none; the chalk line gives the same as its direction', () => {
    const built = model(square, [pad('main', 50, 0)]);
    expect(sectionAlong(built, [0, 300], [1, 0])).toBeNull();
    const chalk = sectionAtChalk(built, { x: 10, y: 20, angle: 0.3 })!;
    expect(chalk.length).toBeCloseTo(sectionAlong(built, [10, 20], [Math.cos(0.3), Math.sin(0.3)])!.length, 9);
  });

  weekly(0)('turned end for end is as long', () => {
    const built = model(
      { type: 'trapezoid', frontWidth: 450, backWidth: 380, depth: 420, cornerRadius: { front: 30, back: 10 } },
      [pad('crown', 20, null, { kind: 'domed' }), pad('main', 50, null)],
      'wadding-200',
    );
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3.1, noNaN: true }), (angle) => {
        const there = sectionAtChalk(built, { x: 12, y: -30, angle })!;
        const back = sectionAtChalk(built, { x: 12, y: -30, angle: angle - Math.PI })!;
        expect(Math.abs(there.length - back.length)).toBeLessThan(0.05);
      }),
      { numRuns: 25 },
    );
  });
});

describe('heights', () => {
  it('a feathered pad grows evenly over its width, a square one stands up at once', () => {
    const built = model(square, [pad('main', 40, 0, { kind: 'feathered', width: 80 })]);
    expect(freeHeight(built, [0, 0])).toBe(40);
    expect(freeHeight(built, [0, -180])).toBeCloseTo(10, 6);
    expect(freeHeight(built, [0, -201])).toBe(0);
    expect(freeHeight(model(square, [pad('main', 40, 0)]), [0, -199.9])).toBe(40);
  });
});

describe('a model', () => {
  it('insets crown pads step by step and follows the house for the overhang', () => {
    const built = modelOf(piece(square, [pad('crown', 10, null), pad('crown', 11, null), pad('main', 50, null)]), {
      overhang: 8,
      crownInset: 30,
    });
    expect(built.pads.map((p) => p.offset)).toEqual([-30, -60, 8]);
  });

  it('says when an inset or a return leaves nothing', () => {
    const narrow: BaseShape = { type: 'rectangle', width: 20, depth: 400, cornerRadius: { front: 0, back: 0 } };
    expect(() => modelOf(piece(narrow, []), {})).toThrow(/Staple how far in/);
    expect(() => modelOf(piece(square, [pad('crown', 10, null)]), { crownInset: 200 })).toThrow(/leaves nothing/);
  });
});

describe('a pad over a step', () => {
  it('comes down from it over a length that grows with its own thickness, without a kink', () => {
    expect(bridge(0, 20, 50)).toBe(20);
    expect(bridge(bridgeReach(20, 50), 20, 50)).toBe(0);
    expect(bridgeReach(20, 80)).toBeGreaterThan(bridgeReach(20, 50));
    fc.assert(
      fc.property(fc.double({ min: 1, max: 80, noNaN: true }), fc.double({ min: 1, max: 120, noNaN: true }), (step, thickness) => {
        const reach = bridgeReach(step, thickness);
        let last = step;
        for (let k = 1; k <= 20; k++) {
          const z = bridge((reach * k) / 20, step, thickness);
          expect(z).toBeLessThanOrEqual(last + 1e-9);
          last = z;
        }
        expect(last).toBeCloseTo(0, 6);
      }),
    );
  });

  it('leaves a hollow beside it, and none where it lies flat', () => {
    const built = model(square, [pad('crown', 20, -60), pad('main', 50, 0)]);
    const beside = stackAt(built, [150, 0]);
    expect(beside.pads[0]).toBeNull();
    expect(beside.pads[1]!.lower).toBeGreaterThan(5);
    expect(stackAt(built, [0, 0]).pads[1]).toEqual({ lower: 20, upper: 70 });
    expect(stackAt(built, [199, 0]).pads[1]!.lower).toBeLessThan(0.1);
  });

  it('wedges, rolls, roundings and bevels are as thick as they say', () => {
    const wedge = model(square, [{ ...pad('main', 20, 0), wedge: 60 }]);
    expect(freeHeight(wedge, [0, -199.99])).toBeCloseTo(20, 1);
    expect(freeHeight(wedge, [0, 0])).toBeCloseTo(40, 6);
    const roll = model(square, [pad('main', 30, 0, { kind: 'roll', width: 40 })]);
    expect(freeHeight(roll, [180, 0])).toBeCloseTo(30, 6);
    expect(freeHeight(roll, [0, 0])).toBe(0);
    const rounded = model(square, [pad('main', 50, 0, { kind: 'rounded', width: 20 })]);
    expect(freeHeight(rounded, [199.999, 0])).toBeCloseTo(30, 0);
    expect(freeHeight(rounded, [170, 0])).toBe(50);
    const bevelled = stackAt(model(square, [pad('main', 50, 0, { kind: 'bevelled', width: 20 })]), [199.999, 0]).pads[0]!;
    expect(bevelled.upper).toBeCloseTo(50, 3);
    expect(bevelled.lower).toBeCloseTo(30, 1);
  });
});

describe('the covered profile', () => {
  /** How far the line turns at each of its points within a distance of the middle, and at which x. */
  const turns = (line: readonly (readonly [number, number])[], middle: number, within: number): { x: number; turn: number }[] =>
    line.flatMap((p, i) => {
      const [a, c] = [line[i - 1], line[i + 1]];
      if (!a || !c || Math.abs(p[0] - middle) > within) return [];
      const bearing = (from: readonly [number, number], to: readonly [number, number]) => Math.atan2(to[1] - from[1], to[0] - from[0]);
      return Math.hypot(p[0] - a[0], p[1] - a[1]) < 1e-6 ? [] : [{ x: p[0] - middle, turn: Math.abs(bearing(p, c) - bearing(a, p)) }];
    });

  it.each([
    ['saddle', 14],
    ['chair-seat', 14],
    ['chair-seat', 5],
    ['headboard-bordered', 9],
    ['bench', 14],
  ] as const)('%s at %d N per 10 cm has no peak where two half-sections meet', (id, force) => {
    const start = newPiece(id);
    const piece: Piece = { ...start, cloth: { ...start.cloth, force } };
    const { stack } = modelOf(piece, {});
    const section = sectionAtChalk(stack, piece.chalk)!;
    const middle = (section.board.left + section.board.right) / 2;
    for (const line of [section.cover, section.bare]) {
      const near = turns(line, middle, 60);
      const peak = near.filter(({ x }) => Math.abs(x) < 0.6).reduce((sum, { turn }) => sum + turn, 0);
      const beside = Math.max(0, ...near.filter(({ x }) => Math.abs(x) >= 0.6).map(({ turn }) => turn));
      // A crown bends there as it bends beside it; a roof ridge bends there alone.
      expect(peak).toBeLessThan(1.6 * beside + 0.004);
    }
  });
});
