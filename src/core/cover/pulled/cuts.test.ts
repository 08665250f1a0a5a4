import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { distanceTo, isInside, type Point, type Polygon } from '../../outline';
import { newChairSeat, newPiece, PieceProblems, type BaseShape, type Covering, type Piece } from '../../piece';
import { planPiece } from '../../plan';
import { coverStep } from '../../plan/steps';
import type { CoverPiece } from '..';
import { runs } from '../../../testing/runs';
import { QUICK, sharedPlanner } from '../../../testing/quick';
import { weekly } from '../../../testing/weekly';

/** What is cut into a cover that is pulled over never comes near what is seen. */

/** The trade's: a cut stops short of the board's edge by 12 mm, within the width of a chalk mark. */
const SHORT = 12 - 0.5;

const seenOf = (piece: CoverPiece): Polygon => piece.lines.find(({ kind }) => kind === 'fold')!.points;
const cutsOf = (piece: CoverPiece): readonly (readonly Point[])[] =>
  piece.lines.filter(({ kind }) => kind === 'cut').map(({ points }) => points);

/** The nearest that any cut of a piece comes to what is seen, mm; negative inside it. */
function nearest(piece: CoverPiece): number {
  const seen = seenOf(piece);
  return Math.min(
    Infinity,
    ...cutsOf(piece).flatMap((line) =>
      line.flatMap((a, i) => {
        const b = line[i + 1] ?? a;
        return Array.from({ length: 5 }, (_, k): number => {
          const at: Point = [a[0] + ((b[0] - a[0]) * k) / 5, a[1] + ((b[1] - a[1]) * k) / 5];
          return distanceTo(seen, at) * (isInside(seen, at) ? -1 : 1);
        });
      }),
    ),
  );
}

const radius = fc.constantFrom(0, 8, 20, 45, 90);
const shape: fc.Arbitrary<BaseShape> = fc.oneof(
  fc.record({
    type: fc.constant('rectangle' as const),
    width: fc.integer({ min: 300, max: 900 }),
    depth: fc.integer({ min: 280, max: 700 }),
    cornerRadius: fc.record({ front: radius, back: radius }),
  }),
  fc.record({
    type: fc.constant('trapezoid' as const),
    frontWidth: fc.integer({ min: 360, max: 600 }),
    backWidth: fc.integer({ min: 300, max: 420 }),
    depth: fc.integer({ min: 300, max: 500 }),
    cornerRadius: fc.record({ front: radius, back: radius }),
  }),
  fc.record({ type: fc.constant('round' as const), diameter: fc.integer({ min: 250, max: 800 }) }),
  fc.record({
    type: fc.constant('kidney' as const),
    width: fc.integer({ min: 600, max: 1100 }),
    depth: fc.integer({ min: 350, max: 500 }),
    hollow: fc.integer({ min: 10, max: 90 }),
  }),
);
const covering: fc.Arbitrary<Covering> = fc.oneof(
  fc.constant<Covering>({ way: 'pull-over' }),
  fc.record({
    way: fc.constant('channelled'),
    channels: fc.record({
      lay: fc.constantFrom('straight' as const, 'radiating' as const),
      run: fc.constantFrom('front-to-back' as const, 'across' as const),
      width: fc.integer({ min: 30, max: 80 }),
      centre: fc.constantFrom('channel' as const, 'line' as const),
      backing: fc.constantFrom(0, 6, 12),
      swatch: fc.constant(null),
    }),
  }),
  fc.record({
    way: fc.constant('buttoned'),
    buttons: fc.record({
      columns: fc.integer({ min: 1, max: 4 }),
      rows: fc.integer({ min: 1, max: 3 }),
      spacing: fc.integer({ min: 60, max: 110 }),
      depth: fc.integer({ min: 5, max: 30 }),
      size: fc.constant(22),
    }),
  }),
);
const pieces = fc.record({
  shape,
  covering,
  shrinkage: fc.constantFrom(0, 2, 6),
  coated: fc.boolean(),
  thick: fc.integer({ min: 20, max: 100 }),
  notch: fc.option(fc.record({ width: fc.integer({ min: 20, max: 60 }), depth: fc.integer({ min: 15, max: 50 }), corner: fc.boolean() })),
});

describe('cuts into a pulled cover', () => {
  weekly(2)(
    'no cut of any piece comes nearer than 12 mm to what is seen, over random pieces',
    () => {
      let cut = 0;
      fc.assert(
        fc.property(pieces, ({ shape: item, covering: way, shrinkage, coated, thick, notch }) => {
          const start = newChairSeat(item);
          const square = item.type === 'rectangle' || item.type === 'trapezoid';
          const piece: Piece = {
            ...start,
            base: {
              ...start.base,
              ...(notch && square
                ? {
                    notches: [
                      {
                        id: 'n-1',
                        at: notch.corner ? { kind: 'corner', name: 'back left' } : { kind: 'edge', name: 'back', along: 0 },
                        width: notch.width,
                        depth: notch.depth,
                      },
                    ],
                  }
                : {}),
            },
            pads: [{ ...start.pads[1]!, thickness: thick }],
            // Wide enough for any of them in one: joined from widths, a cut may lie in two pieces.
            cloth: { ...start.cloth, shrinkage, coated, rollWidth: 4000 },
            covering: way,
          };
          try {
            const planner = sharedPlanner;
            const blank = coverStep(planner.model(piece, {}), 'trial').cover.pieces[0]!;
            cut += cutsOf(blank).length;
            // The wash takes a share of everything, of what the cut keeps clear too.
            expect(nearest(blank)).toBeGreaterThanOrEqual(SHORT);
          } catch (error) {
            if (!(error instanceof PieceProblems)) throw error;
          }
        }),
        { numRuns: runs(16, 500) },
      );
      expect(cut).toBeGreaterThan(runs(16, 500));
    },
    240_000,
  );

  const notched = (notches: NonNullable<Piece['base']['notches']>): Piece => {
    const start = newChairSeat({ type: 'rectangle', width: 450, depth: 420, cornerRadius: { front: 0, back: 0 } });
    return { ...start, base: { ...start.base, notches } };
  };
  const back = { id: 'n-1', at: { kind: 'edge' as const, name: 'back', along: 0 }, width: 40, depth: 35 };

  it('a notch in the back edge takes one Y-cut, and nothing beside it is cut', () => {
    const plan = planPiece(notched([back]), {}, QUICK);
    expect(plan.cover.yCuts).toHaveLength(1);
    // The stem and its two arms, and nothing else: the corners are folded.
    expect(cutsOf(plan.cover.pieces[0]!)).toHaveLength(3);
    expect(nearest(plan.cover.pieces[0]!)).toBeGreaterThanOrEqual(SHORT);
    const { stem, arms } = plan.cover.yCuts[0]!;
    expect(Math.abs(stem[0][0])).toBeLessThan(1);
    expect(arms.map(([, end]) => Math.round(end[0])).sort((a, b) => a - b)).toEqual([-20, 20]);
    // It begins at the cloth's edge.
    expect(distanceTo(plan.cover.pieces[0]!.outline, stem[0])).toBeLessThan(2);
  });

  it('survives another notch being deleted', () => {
    const side = { id: 'n-2', at: { kind: 'edge' as const, name: 'left', along: 0 }, width: 40, depth: 35 };
    const both = planPiece(notched([back, side]), {}, QUICK).cover.yCuts;
    expect(both).toHaveLength(2);
    const one = planPiece(notched([side]), {}, QUICK).cover.yCuts;
    expect(one).toHaveLength(1);
    expect(one[0]!.name).toBe(both[1]!.name);
    [one[0]!.stem, both[1]!.stem].forEach((stem) => expect(stem[1][1]).toBeCloseTo(0, 1));
    expect(one[0]!.stem[1][0]).toBeCloseTo(both[1]!.stem[1][0], 0);
  });

  it('channel backing makes the blank larger: a quarter turn of its thickness on every side', () => {
    const blank = (backing: number): CoverPiece => {
      const start = newPiece('chair-seat');
      const channels = {
        lay: 'straight' as const,
        run: 'front-to-back' as const,
        width: 45,
        centre: 'channel' as const,
        backing,
        swatch: null,
      };
      return planPiece({ ...start, covering: { way: 'channelled', channels } }, {}, QUICK).cover.pieces[0]!;
    };
    // 39 mm a side at 25.
    expect((blank(25).height - blank(0).height) / 2).toBeCloseTo((25 * Math.PI) / 2, 0);
    expect((blank(6).height - blank(0).height) / 2).toBeCloseTo((6 * Math.PI) / 2, 0);
  });

  it('a pulled cover is planned where its shoulder crosses itself: feathered rims and notches throw nothing', () => {
    for (const width of [10, 20, 30, 40])
      for (const notch of [null, { ...back, width: 25, depth: 22 }]) {
        const start = notched(notch ? [notch] : []);
        const piece: Piece = { ...start, pads: [{ ...start.pads[1]!, thickness: 60, edge: { kind: 'feathered', width } }] };
        expect(planPiece(piece, {}, QUICK).cover.pieces[0]!.width).toBeGreaterThan(500);
      }
  });
});

describe('an inside corner that has no room for a cut', () => {
  const bench = newPiece('bench');
  const corners = { cornerRadius: { front: 0, back: 45 }, insideRadius: 22 };
  const stepped: Piece = {
    ...bench,
    base: { ...bench.base, shape: { type: 'stepped', width: 1561, sideHeight: 624, shoulder: 245, height: 780, ...corners } },
    pads: bench.pads.map((pad) => (pad.role === 'main' ? { ...pad, thickness: 75 } : pad)),
    covering: { ...bench.covering, way: 'pull-over' },
    overrides: { ...bench.overrides, return: 14, grip: 28 },
  };
  const cutsAt = (piece: Piece) => planPiece(piece, {}, QUICK).corners.filter(({ inside }) => inside);

  it('gets none, says so, and has one with more turned under', () => {
    const plan = planPiece(stepped, {}, QUICK);
    expect(plan.corners.filter(({ inside }) => inside).map(({ cut }) => cut)).toEqual([null, null]);
    const warning = plan.warnings.find(({ code }) => code === 'no-room-to-cut')!;
    expect(warning.message).toMatch(/^Right inside corner: no room for a cut 12 mm clear/);
    const mended = { ...stepped, overrides: { ...stepped.overrides, return: warning.mend!.value as number } };
    expect(cutsAt(mended).map(({ cut }) => Math.hypot(cut!.to[0] - cut!.from[0], cut!.to[1] - cut!.from[1]) >= 5)).toEqual([true, true]);
  });
});
