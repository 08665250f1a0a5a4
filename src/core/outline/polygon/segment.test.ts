import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fillet } from './fillet';
import { flatten } from './flatten';
import { outlineArea, polygonArea } from './measure';
import { arcByRise, curvatureAt, translated, parameterAt, pointAt, pointOn, reversed, segmentLength, stretch, tangentAt } from './segment';
import { spline } from './spline';
import { cornerNamed, edgeNamed } from '../edge-part';
import type { Point, Segment } from '../types';

const coordinate = fc.integer({ min: -300, max: 300 });
const point = fc.tuple(coordinate, coordinate);
const line = fc.tuple(point, point).map(([from, to]): Segment => ({ kind: 'line', edge: edgeNamed('e'), from, to }));
const arc = fc
  .tuple(
    point,
    fc.integer({ min: 5, max: 300 }),
    fc.double({ min: -3, max: 3, noNaN: true }),
    fc.double({ min: 0.1, max: 3, noNaN: true }),
    fc.boolean(),
  )
  .map(([centre, radius, start, sweep, inwards]): Segment => ({
    kind: 'arc',
    edge: edgeNamed('e'),
    centre,
    radius,
    start,
    sweep: inwards ? -sweep : sweep,
  }));
const curve = fc
  .tuple(point, point, point, point)
  .map(([from, c1, c2, to]): Segment => ({ kind: 'curve', edge: edgeNamed('e'), from, c1, c2, to }));
/** A segment that goes somewhere: nobody draws a line of no length. */
const segment = fc.oneof(line, arc, curve).filter((s) => segmentLength(s) > 20);
const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });

const distanceBetween = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

function walked(s: Segment, steps: number): number {
  let sum = 0;
  for (let k = 1; k <= steps; k++) sum += distanceBetween(pointAt(s, (k - 1) / steps), pointAt(s, k / steps));
  return sum;
}

describe('a segment of any kind', () => {
  it('is as long as a fine walk along it', () => {
    fc.assert(
      fc.property(segment, (s) => {
        expect(Math.abs(segmentLength(s) / walked(s, 4000) - 1)).toBeLessThan(2e-3);
      }),
      { numRuns: 60 },
    );
  });

  it('cut anywhere, its parts begin and end where it does and add up to it', () => {
    fc.assert(
      fc.property(segment, share, (s, u) => {
        const [a, b] = [stretch(s, 0, u), stretch(s, u, 1)];
        expect(distanceBetween(pointAt(a, 0), pointAt(s, 0))).toBeLessThan(1e-9);
        expect(distanceBetween(pointAt(a, 1), pointAt(b, 0))).toBeLessThan(1e-9);
        expect(distanceBetween(pointAt(b, 1), pointAt(s, 1))).toBeLessThan(1e-9);
        expect(distanceBetween(pointAt(a, 0.5), pointAt(s, u / 2))).toBeLessThan(1e-6);
        expect(Math.abs((segmentLength(a) + segmentLength(b)) / segmentLength(s) - 1)).toBeLessThan(5e-3);
      }),
      { numRuns: 80 },
    );
  });

  it('walked the other way is the same line with its bends turned over', () => {
    fc.assert(
      fc.property(segment, share, (s, u) => {
        const back = reversed(s);
        expect(distanceBetween(pointAt(back, 1 - u), pointAt(s, u))).toBeLessThan(1e-6);
        expect(curvatureAt(back, 1 - u)).toBeCloseTo(-curvatureAt(s, u), 4);
        expect(segmentLength(back)).toBeCloseTo(segmentLength(s), 6);
        expect(distanceBetween(pointAt(reversed(back), u), pointAt(s, u))).toBeLessThan(1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it('moved keeps its form; a share of its length is a share of its length', () => {
    fc.assert(
      fc.property(segment, point, share, (s, by, t) => {
        const there = pointAt(translated(s, by), t);
        const here = pointAt(s, t);
        expect(distanceBetween(there, [here[0] + by[0], here[1] + by[1]])).toBeLessThan(1e-9);
        const u = parameterAt(s, t);
        expect(Math.abs(segmentLength(stretch(s, 0, u)) - t * segmentLength(s))).toBeLessThan(segmentLength(s) * 5e-3);
        expect(distanceBetween(pointOn(s, t), pointAt(s, u))).toBeLessThan(1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it('has a tangent of length one that points where it goes', () => {
    fc.assert(
      fc.property(segment, share, (s, u) => {
        const [x, y] = tangentAt(s, u);
        expect(Math.hypot(x, y)).toBeCloseTo(1, 9);
        const [a, b] = [pointAt(s, u - 1e-4), pointAt(s, u + 1e-4)];
        const length = distanceBetween(a, b);
        if (length > 1e-6) expect(((b[0] - a[0]) * x + (b[1] - a[1]) * y) / length).toBeGreaterThan(0.99);
      }),
      { numRuns: 60 },
    );
  });
});

describe('arcs by their rise', () => {
  it('stand off their chord by it, to the right when positive', () => {
    fc.assert(
      fc.property(point, point, fc.integer({ min: -120, max: 120 }), (from, to, rise) => {
        fc.pre(distanceBetween(from, to) > 30 && Math.abs(rise) > 0.5);
        const made = arcByRise(edgeNamed('e'), from, to, rise);
        const chord = distanceBetween(from, to);
        expect(distanceBetween(pointAt(made, 0), from)).toBeLessThan(1e-6);
        expect(distanceBetween(pointAt(made, 1), to)).toBeLessThan(1e-6);
        const [mx, my] = pointAt(made, 0.5);
        const off = ((mx - from[0]) * (to[1] - from[1]) - (my - from[1]) * (to[0] - from[0])) / chord;
        expect(off).toBeCloseTo(rise, 4);
      }),
      { numRuns: 80 },
    );
    expect(arcByRise(edgeNamed('e'), [0, 0], [10, 0], 0).kind).toBe('line');
  });
});

describe('area of an outline with curves', () => {
  it('is that of its finely flattened polygon', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(coordinate, coordinate, coordinate, coordinate), { minLength: 3, maxLength: 6 }), (rows) => {
        const at = rows.map(([x, y]): Point => [x, y]);
        const segments = rows.map(([, , cx, cy], i): Segment => {
          const [from, to] = [at[i]!, at[(i + 1) % at.length]!];
          return { kind: 'curve', edge: edgeNamed('e'), from, c1: [cx, cy], c2: [(cx + to[0]) / 2, (cy + to[1]) / 2], to };
        });
        const exact = outlineArea({ segments });
        expect(Math.abs(exact - polygonArea(flatten({ segments }, 0.002)))).toBeLessThan(30);
      }),
      { numRuns: 60 },
    );
  });
});

describe('a flexible rule', () => {
  it('passes through its points without a kink, closed or open', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 120, max: 260 }), { minLength: 5, maxLength: 14 }), fc.boolean(), (radii, closed) => {
        const points = radii.map((r, i): Point => [
          r * Math.cos((i * 2 * Math.PI) / radii.length),
          r * Math.sin((i * 2 * Math.PI) / radii.length),
        ]);
        const pieces = spline(points, closed).map((piece): Segment => ({ kind: 'curve', edge: edgeNamed('e'), ...piece }));
        expect(pieces).toHaveLength(closed ? points.length : points.length - 1);
        pieces.forEach((piece, i) => {
          expect(distanceBetween(pointAt(piece, 0), points[i]!)).toBeLessThan(1e-9);
          const next = pieces[i + 1] ?? (closed ? pieces[0] : undefined);
          if (!next) return;
          const [a, b] = [tangentAt(piece, 1), tangentAt(next, 0)];
          expect(a[0] * b[0] + a[1] * b[1]).toBeGreaterThan(1 - 1e-6);
          expect(curvatureAt(piece, 1)).toBeCloseTo(curvatureAt(next, 0), 4);
        });
      }),
      { numRuns: 40 },
    );
  });

  it('lies straight along points on a line', () => {
    for (const piece of spline([
      [0, 0],
      [10, 5],
      [40, 20],
      [50, 25],
    ])) {
      expect(curvatureAt({ kind: 'curve', edge: edgeNamed('e'), ...piece }, 0.4)).toBeCloseTo(0, 9);
    }
  });
});

describe('a rounded joint', () => {
  it('touches both edges, whatever they are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 2.4, noNaN: true }),
        fc.integer({ min: 3, max: 25 }),
        fc.integer({ min: -25, max: 25 }),
        (turn, radius, rise) => {
          const before = arcByRise(edgeNamed('a'), [-200, 0], [0, 0], rise);
          const after: Segment = { kind: 'line', edge: edgeNamed('b'), from: [0, 0], to: [200 * Math.cos(turn), 200 * Math.sin(turn)] };
          const made = fillet(before, after, radius, cornerNamed('a b'));
          if (!made) return;
          const [a, corner, b] = made;
          expect(distanceBetween(pointAt(a, 1), pointAt(corner, 0))).toBeLessThan(1e-3);
          expect(distanceBetween(pointAt(corner, 1), pointAt(b, 0))).toBeLessThan(1e-3);
          for (const [p, u, q, v] of [
            [a, 1, corner, 0],
            [corner, 1, b, 0],
          ] as const) {
            const [s, t] = [tangentAt(p, u), tangentAt(q, v)];
            expect(s[0] * t[0] + s[1] * t[1]).toBeGreaterThan(1 - 1e-4);
          }
        },
      ),
      { numRuns: 80 },
    );
  });

  it('is refused where it does not fit', () => {
    const [a, b]: Segment[] = [
      { kind: 'line', edge: edgeNamed('a'), from: [0, 0], to: [20, 0] },
      { kind: 'line', edge: edgeNamed('b'), from: [20, 0], to: [20, 200] },
    ];
    expect(fillet(a!, b!, 30, cornerNamed('corner'))).toBeNull();
    expect(fillet(a!, b!, 15, cornerNamed('corner'))).not.toBeNull();
  });
});
