import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  baseOutline,
  bounds,
  flatten,
  isInside,
  lineCrossings,
  offsetPolygon,
  outlineArea,
  perimeter,
  polygonArea,
  polygonCentroid,
  polygonPerimeter,
  reachFrom,
  stations,
} from '.';
import type { BaseShape } from '../piece';

const rectangle = (width: number, depth: number, r: number): BaseShape => ({
  type: 'rectangle',
  width,
  depth,
  cornerRadius: { front: r, back: r },
});
const trapezoid = (frontWidth: number, backWidth: number, depth: number, front: number, back: number): BaseShape => ({
  type: 'trapezoid',
  frontWidth,
  backWidth,
  depth,
  cornerRadius: { front, back },
});
const convex = fc.oneof(
  fc
    .tuple(fc.integer({ min: 200, max: 900 }), fc.integer({ min: 200, max: 900 }), fc.integer({ min: 0, max: 90 }))
    .map(([w, d, r]) => rectangle(w, d, r)),
  fc
    .tuple(
      fc.integer({ min: 300, max: 900 }),
      fc.integer({ min: 300, max: 900 }),
      fc.integer({ min: 300, max: 900 }),
      fc.integer({ min: 0, max: 60 }),
    )
    .map(([f, b, d, r]) => trapezoid(f, b, d, r, r / 2)),
  fc.integer({ min: 150, max: 900 }).map((diameter): BaseShape => ({ type: 'round', diameter })),
);

describe('outline', () => {
  it.each([
    [450, 420, 30],
    [400, 400, 0],
    [1080, 395, 60],
  ])('rounded rectangle %d × %d, r %d: perimeter 2(w+h) − 8r + 2πr, area wh − (4 − π)r²', (w, h, r) => {
    const outline = baseOutline(rectangle(w, h, r));
    expect(perimeter(outline)).toBeCloseTo(2 * (w + h) - 8 * r + 2 * Math.PI * r, 6);
    expect(outlineArea(outline)).toBeCloseTo(w * h - (4 - Math.PI) * r * r, 6);
  });

  it('trapezoid: area and centroid are the closed forms', () => {
    const [a, b, d] = [450, 390, 420];
    const outline = baseOutline(trapezoid(a, b, d, 0, 0));
    expect(outlineArea(outline)).toBeCloseTo(((a + b) / 2) * d, 6);
    const [x, y] = polygonCentroid(flatten(outline));
    expect(x).toBeCloseTo(0, 6);
    expect(y + d / 2).toBeCloseTo((d * (a + 2 * b)) / (3 * (a + b)), 6);
  });

  it('circle: offset by d is a circle of r + d', () => {
    const circle = flatten(baseOutline({ type: 'round', diameter: 380 }));
    const grown = offsetPolygon(circle, 12)!;
    expect(polygonArea(grown)).toBeCloseTo(Math.PI * 202 ** 2, -2);
    for (const [x, y] of grown) expect(Math.abs(Math.hypot(x, y) - 202)).toBeLessThan(0.05);
  });

  it('any offset out and back returns a convex outline', () => {
    fc.assert(
      fc.property(convex, fc.integer({ min: 1, max: 90 }), (shape, d) => {
        const polygon = flatten(baseOutline(shape));
        const back = offsetPolygon(offsetPolygon(polygon, d)!, -d)!;
        expect(Math.abs(polygonArea(back) / polygonArea(polygon) - 1)).toBeLessThan(1e-4);
        expect(Math.abs(polygonPerimeter(back) / polygonPerimeter(polygon) - 1)).toBeLessThan(1e-3);
      }),
      { numRuns: 100 },
    );
  });

  it('an offset that leaves nothing says so', () => {
    expect(offsetPolygon(flatten(baseOutline(rectangle(200, 100, 0))), -51)).toBeNull();
  });

  it('reach, crossings and inside agree with each other', () => {
    fc.assert(
      fc.property(convex, fc.double({ min: -3.1, max: 3.1, noNaN: true }), (shape, angle) => {
        const polygon = flatten(baseOutline(shape));
        const reach = reachFrom(polygon)(angle);
        const direction = [Math.cos(angle), Math.sin(angle)] as const;
        expect(lineCrossings(polygon, [0, 0], direction).at(-1)).toBeCloseTo(reach, 6);
        expect(isInside(polygon, [direction[0] * reach * 0.999, direction[1] * reach * 0.999])).toBe(true);
        expect(isInside(polygon, [direction[0] * reach * 1.001, direction[1] * reach * 1.001])).toBe(false);
      }),
    );
  });
});

describe('stations', () => {
  it('start at the front middle, go round counter-clockwise, and keep every corner and edge middle', () => {
    const found = stations(baseOutline(trapezoid(450, 390, 420, 40, 20)));
    expect(found[0]).toMatchObject({ id: '1', edge: 'front', at: 0 });
    expect(found[0]!.point[0]).toBeCloseTo(0, 6);
    expect(found.filter((s) => s.turn > 0).map((s) => s.edge)).toEqual([
      'front right corner',
      'back right corner',
      'back left corner',
      'front left corner',
    ]);
    expect(found.filter((s) => Math.abs(s.point[1]) < 1e-6)).toHaveLength(2);
    const total = found.reduce((sum, s) => sum + s.turn, 0);
    expect(total).toBeCloseTo(2 * Math.PI, 9);
  });

  it('stand square to the edge, no farther apart than the spacing, whatever the shape', () => {
    fc.assert(
      fc.property(convex, fc.integer({ min: 40, max: 200 }), (shape, spacing) => {
        const outline = baseOutline(shape);
        const found = stations(outline, { spacing });
        const box = bounds(flatten(outline));
        found.forEach((s, i) => {
          const next = found[i + 1]?.at ?? perimeter(outline);
          expect(next - s.at).toBeGreaterThan(0);
          expect(next - s.at).toBeLessThanOrEqual(spacing + 1e-6);
          expect(Math.hypot(...s.normal)).toBeCloseTo(1, 9);
          expect(s.normal[0] * s.point[0] + s.normal[1] * s.point[1]).toBeGreaterThan(0);
          // The flattened outline may miss an arc’s widest place by its flatness.
          expect(Math.abs(s.point[0])).toBeLessThanOrEqual(box.width / 2 + 0.02);
        });
      }),
      { numRuns: 60 },
    );
  });
});
