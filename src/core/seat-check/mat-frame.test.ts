import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asMat, MAT_SIDE, matLikeness, matLine, matSums, readMatCsv, readMatLine, writeMatCsv, type MatFrame } from './mat-frame';

const frame: fc.Arbitrary<MatFrame> = fc.record({
  cell: fc.integer({ min: 10, max: 60 }),
  kPa: fc.array(
    fc.integer({ min: 0, max: 400 }).map((p) => p / 4),
    { minLength: 256, maxLength: 256 },
  ),
});

describe('a mat’s frame', () => {
  it('goes out and comes in again, as CSV and as a line', () => {
    fc.assert(
      fc.property(frame, (matFrame) => {
        expect(readMatCsv(writeMatCsv(matFrame))).toEqual({ ok: true, frame: matFrame });
        const read = readMatLine(matLine(matFrame));
        expect(read.ok).toBe(true);
        if (read.ok) read.frame.kPa.forEach((p, i) => expect(Math.abs(p - matFrame.kPa[i]!)).toBeLessThanOrEqual(0.051));
        expect(matLikeness(matFrame, matFrame)).toBeCloseTo(1, 6);
      }),
      { numRuns: 40 },
    );
  });

  it('that is none is refused with a reason, and never throws', () => {
    for (const [text, why] of [
      ['', '16 lines'],
      ['1,2\n3,4', '16 lines'],
      [Array(16).fill('1,2,3').join('\n'), 'line 1 has 3'],
      [Array(16).fill(Array(16).fill('x').join(',')).join('\n'), 'not a pressure'],
      [Array(16).fill(Array(16).fill('-4').join(',')).join('\n'), 'not a pressure'],
      ['9'.repeat(70_000), 'larger'],
    ] as const)
      expect(readMatCsv(text)).toMatchObject({ ok: false, why: expect.stringContaining(why) });
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(readMatLine(text).ok).toBe(false);
      }),
    );
  });

  it('of an even pressure has its force, area and mean', () => {
    const even: MatFrame = { cell: 20, kPa: Array<number>(256).fill(5) };
    expect(matSums(even)).toEqual({ peak: 5, mean: 5, area: 256 * 400, force: 512 });
    const grid = { x0: -200, y0: -200, step: 5, columns: 81, rows: 81, heights: new Float64Array(81 * 81).fill(0.005) };
    const computed = asMat(grid, 20, [0, 0]);
    expect(computed.kPa).toHaveLength(MAT_SIDE * MAT_SIDE);
    expect(computed.kPa[8 * 16 + 8]).toBeCloseTo(5, 6);
  });
});
