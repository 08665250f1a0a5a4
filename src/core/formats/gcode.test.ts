import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { taperedSeat } from '../../testing/tapered';
import { bounds, polygonArea, polygonPerimeter, type Point, type Polygon } from '../outline';
import { compareCut } from './cut-picture';
import { cutsOf, readGcodeLine, writeGcode } from './gcode';

const LIMITS = { width: 2500, height: 1800, kerf: 0.8, fastest: 30_000 };
const placed = (outline: Polygon): Polygon => outline.map(([x, y]): Point => [x + 50, y + 50]);

describe('a program for a cutter', () => {
  it('read back by another reader is the outline, half the kerf outside it, the knife down on it alone', () => {
    const seat = placed(taperedSeat(460, 400, 430));
    const lines = writeGcode([seat], { limits: LIMITS, feed: 9000 });
    // A reader of its own: words by their letters, no more.
    let [x, y, down, cut] = [0, 0, false, 0];
    for (const line of lines) {
      const words = Object.fromEntries([...line.matchAll(/([GMXYF])(-?[\d.]+)/g)].map(([, letter, value]) => [letter, Number(value)]));
      if (words.M === 3) down = true;
      if (words.M === 5 || words.M === 2) down = false;
      const [toX, toY] = [words.X ?? x, words.Y ?? y];
      if (words.G === 0) expect(down).toBe(false);
      if (words.G === 1) {
        expect(down).toBe(true);
        cut += Math.hypot(toX - x, toY - y);
      }
      [x, y] = [toX, toY];
    }
    expect(down).toBe(false);
    expect(cut - polygonPerimeter(seat)).toBeCloseTo(Math.PI * 0.8, 0);
    const [back] = cutsOf(lines);
    expect(bounds(back!).width).toBeCloseTo(bounds(seat).width + 0.8, 2);
    expect(compareCut(seat, { kerf: 0.8, cuts: [back!] })).toMatchObject({ matches: true });
  });

  it('cuts holes first and inside themselves, and refuses what lies beyond the bed or is too fast', () => {
    const seat = placed(taperedSeat(460, 400, 430));
    const hole: Polygon = [
      [200, 200],
      [200, 260],
      [260, 260],
      [260, 200],
    ];
    const cuts = cutsOf(writeGcode([seat, hole], { limits: LIMITS, feed: 9000 }));
    expect(bounds(cuts[0]!).width).toBeCloseTo(59.2, 2);
    expect(Math.abs(polygonArea(cuts[1]!))).toBeGreaterThan(Math.abs(polygonArea(seat)));
    expect(() => writeGcode([seat.map(([x, y]): Point => [x + 2200, y])], { limits: LIMITS, feed: 9000 })).toThrow(/the bed is 2500/);
    expect(() => writeGcode([seat], { limits: LIMITS, feed: 31_000 })).toThrow(/30000 mm a minute/);
    expect(() => readGcodeLine('G2 X1 Y1 I3')).toThrow(/no line that this cutter knows/);
  });

  it('a cut that is moved or drawn in at one place is off by so much', () => {
    const seat = placed(taperedSeat(460, 400, 430));
    const cut = cutsOf(writeGcode([seat], { limits: LIMITS, feed: 9000 }))[0]!;
    fc.assert(
      fc.property(fc.double({ min: 1, max: 12, noNaN: true }), (by) => {
        const difference = compareCut(seat, { kerf: 0.8, cuts: [cut.map(([x, y]): Point => [x + by, y])] });
        expect(difference.matches).toBe(false);
        expect(Math.abs(difference.off - by)).toBeLessThan(0.15 * by + 0.3);
      }),
      { numRuns: 20, seed: 3 },
    );
    expect(compareCut(seat, { kerf: 0.8, cuts: [] })).toMatchObject({ cut: 0, matches: false });
  });
});
