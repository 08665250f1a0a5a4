import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asMat, matSums } from '@/core/formats/mat-frame';
import { polygonArea, type Point } from '@/core/outline';
import { PRESSURE_FULL, pressureColour } from '@/ui/sit/pressure';
import { evenCorners } from './drawn-pads';
import { edgeOf } from './pad-fields';

describe('a pad taken over from the board to be drawn', () => {
  it('has its corners at even steps on the line it came from', () => {
    const round = Array.from({ length: 200 }, (_, i): Point => [200 * Math.cos((i * Math.PI) / 100), 150 * Math.sin((i * Math.PI) / 100)]);
    const corners = evenCorners(round);
    expect(corners).toHaveLength(12);
    for (const [x, y] of corners) expect(Math.hypot(x / 200, y / 150)).toBeCloseTo(1, 2);
    const steps = corners.map(([x, y], i) => Math.hypot(x - corners[(i + 1) % 12]![0], y - corners[(i + 1) % 12]![1]));
    expect(Math.max(...steps) / Math.min(...steps)).toBeLessThan(1.1);
    expect(polygonArea(corners) / polygonArea(round)).toBeGreaterThan(0.93);
  });
});

describe('a rim of another kind', () => {
  it('starts with a width it can have', () => {
    expect(edgeOf('square', 50)).toEqual({ kind: 'square' });
    expect(edgeOf('domed', 50)).toEqual({ kind: 'domed' });
    expect(edgeOf('rounded', 8)).toEqual({ kind: 'rounded', width: 8 });
    for (const kind of ['feathered', 'bevelled', 'roll'] as const)
      expect(edgeOf(kind, 50)).toMatchObject({ kind, width: expect.any(Number) });
  });
});

describe('the pressure’s colours', () => {
  const light = (colour: string): number => (colour.match(/\d+/g) ?? []).map(Number).reduce((sum, c) => sum + c, 0);

  it('darken all the way, and stay within the ramp', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.9, noNaN: true }), (share) => {
        expect(light(pressureColour(share))).toBeGreaterThan(light(pressureColour(share + 0.1)));
      }),
    );
    expect(pressureColour(7)).toBe(pressureColour(1));
    expect(pressureColour(-1)).toBe(pressureColour(0));
  });

  it('a full tint is more than a mat of an ordinary sitter shows', () => {
    const grid = { x0: -200, y0: -200, step: 10, columns: 41, rows: 41, heights: new Float64Array(41 * 41).fill(0.006) };
    expect(matSums(asMat(grid, 25, [0, 0])).peak / 1000).toBeLessThan(PRESSURE_FULL);
  });
});
