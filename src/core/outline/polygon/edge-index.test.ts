import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { edgeIndex } from './edge-index';
import { distanceTo, isInside } from './polygon-queries';
import type { Point, Polygon } from '../types';

const coordinate = fc.oneof(fc.integer({ min: -20, max: 20 }), fc.double({ min: -20, max: 20, noNaN: true }));
const point = fc.tuple(coordinate, coordinate) as fc.Arbitrary<Point>;

describe('index of the sides of a polyline', () => {
  it('answers to the last bit what going through every side answers, whatever the polyline', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 40 }), fc.array(point, { maxLength: 60 }), (polygon: Polygon, places) => {
        const index = edgeIndex(polygon, 6);
        for (const at of [...places, ...polygon]) {
          expect(index.isInside(at)).toBe(isInside(polygon, at));
          const far = distanceTo(polygon, at);
          expect(index.distanceTo(at)).toBe(far <= 6 ? far : Infinity);
        }
      }),
    );
  });
});
