import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newChairSeat, PieceProblems, type BaseShape, type Pad, type Piece } from '../piece';
import {
  coveredGrid,
  domeHalfArc,
  domeHeight,
  freeHeight,
  heightAt,
  modelOf,
  pathLength,
  sectionAlong,
  sectionAtChalk,
  surfaceOf,
} from '.';
import { steepEnds, tautLine } from './taut-line';

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

describe('the taut line', () => {
  const board = { left: -200, right: 200, thickness: 12 };
  const under = { left: 50, right: 50 };

  it('over a bare board is its top, sides and returns', () => {
    const { points } = tautLine([], board, under, { thickness: 0, reach: 0 });
    expect(pathLength(points)).toBeCloseTo(400 + 2 * 12 + 2 * 50, 9);
  });

  it('bridges a hollow and touches what stands up', () => {
    const flat = tautLine(
      [
        [-200, 50],
        [200, 50],
      ],
      board,
      under,
      { thickness: 0, reach: 0 },
    );
    const hollow = tautLine(
      [
        [-200, 50],
        [-20, 10],
        [20, 10],
        [200, 50],
      ],
      board,
      under,
      { thickness: 0, reach: 0 },
    );
    const peak = tautLine(
      [
        [-200, 50],
        [0, 80],
        [200, 50],
      ],
      board,
      under,
      { thickness: 0, reach: 0 },
    );
    expect(pathLength(hollow.points)).toBeCloseTo(pathLength(flat.points), 9);
    expect(heightAt(hollow.points, 0)).toBeCloseTo(50, 9);
    expect(heightAt(peak.points, 0)).toBeCloseTo(80, 9);
    expect(pathLength(peak.points) - pathLength(flat.points)).toBeCloseTo(2 * Math.hypot(200, 30) - 400, 9);
  });

  it('is never shorter than without a point, and no point lies outside it', () => {
    const point = fc.tuple(fc.double({ min: -205, max: 205, noNaN: true }), fc.double({ min: 0, max: 120, noNaN: true }));
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 12 }), point, (stack, more) => {
        const before = tautLine(stack, board, under, { thickness: 0, reach: 0 });
        const after = tautLine([...stack, more], board, under, { thickness: 0, reach: 0 });
        expect(pathLength(after.points)).toBeGreaterThanOrEqual(pathLength(before.points) - 1e-6);
        for (const [x, z] of stack) expect(heightAt(after.points, x) ?? Infinity).toBeGreaterThanOrEqual(z - 1e-6);
      }),
      { numRuns: 200 },
    );
  });

  it('wadding that stops at the rim adds its thickness on top; the ends of the top stay apart by the board', () => {
    const stack: [number, number][] = [
      [-200, 50],
      [200, 50],
      [-200, 0],
      [200, 0],
    ];
    const { points, wadding } = tautLine(stack, board, under, { thickness: 6, reach: 75 });
    expect(heightAt(points, 0)).toBeCloseTo(56, 9);
    expect(wadding.length).toBeGreaterThan(10);
    const ends = steepEnds(points);
    expect(ends.right - ends.left).toBeGreaterThan(400);
    expect(ends.left + ends.right).toBeCloseTo(pathLength(points), 6);
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
    expect(heightAt(crown!.upper, 0)).toBe(20);
    expect(heightAt(main!.upper, 0)).toBe(70);
    expect(heightAt(main!.upper, 190)).toBe(50);
    const diagonal = sectionAlong(built, [0, 0], [Math.SQRT1_2, Math.SQRT1_2])!;
    expect(diagonal.board.right - diagonal.board.left).toBeCloseTo(400 * Math.SQRT2, 6);
  });

  it('that misses the board is none; the chalk line gives the same as its direction', () => {
    const built = model(square, [pad('main', 50, 0)]);
    expect(sectionAlong(built, [0, 300], [1, 0])).toBeNull();
    const chalk = sectionAtChalk(built, { x: 10, y: 20, angle: 0.3 })!;
    expect(chalk.length).toBeCloseTo(sectionAlong(built, [10, 20], [Math.cos(0.3), Math.sin(0.3)])!.length, 9);
  });

  it('turned end for end is as long', () => {
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

  it('the covered grid lies on or above the free surface and agrees with the section', () => {
    const built = model(square, [pad('crown', 25, -60), pad('main', 50, 6)]);
    const grid = coveredGrid(built, 30);
    const middle = sectionAlong(built, [0, 0], [1, 0])!;
    let seen = 0;
    for (let row = 0; row < grid.rows; row++) {
      for (let column = 0; column < grid.columns; column++) {
        const z = grid.heights[row * grid.columns + column]!;
        const at = [grid.x0 + column * grid.step, grid.y0 + row * grid.step] as const;
        if (Number.isNaN(z) || Math.max(Math.abs(at[0]), Math.abs(at[1])) > 205) continue;
        seen += 1;
        expect(z).toBeGreaterThanOrEqual(freeHeight(built, at) - 1e-6);
        if (Math.abs(at[1]) < 1e-9) expect(z).toBeGreaterThanOrEqual(heightAt(middle.cover, at[0])! - 0.5);
      }
    }
    expect(seen).toBeGreaterThan(500);
  });

  it('surface: height and crown follow the pads, covered and not', () => {
    const surface = surfaceOf(model(square, [pad('crown', 25, 0, { kind: 'domed' }), pad('main', 50, 0)]));
    expect(surface.height).toBeCloseTo(75, 6);
    expect(surface.freeCrown).toBeCloseTo(25, 1);
    expect(surface.crown).toBeCloseTo(25, 1);
    expect(surface.edgeRadius).toBeCloseTo(0, 6);
    expect(surfaceOf(model(square, []))).toMatchObject({ height: 0, crown: 0, freeCrown: 0 });
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
    const narrow: BaseShape = { type: 'rectangle', width: 100, depth: 400, cornerRadius: { front: 0, back: 0 } };
    expect(() => modelOf(piece(narrow, []), {})).toThrow(PieceProblems);
    expect(() => modelOf(piece(square, [pad('crown', 10, null)]), { crownInset: 200 })).toThrow(/leaves nothing/);
  });
});
