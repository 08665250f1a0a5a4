import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asMat, matSums } from '@/core/seat-check/mat-frame';
import { PRESSURE_FULL, pressureColour } from './pressure';

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
