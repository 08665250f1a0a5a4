import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { curveOf, findMaterial, FOAMS, WADDING_CURVE } from '../../foam';
import type { Point } from '../../outline';
import { constantLaw, foamLaw, lineLength, meshOf, overWadding, pulledPoints, pullSection, relax, type Law, type StackCut } from '.';
import { stretchTerms } from './law';
import { runs } from '../../../testing/runs';
import { weekly } from '../../../testing/weekly';

/** One square pad on a board: half width 200, 12 thick, the pad standing 6 beyond it. */
function slab(element: number, law: Law, thickness = 50, overhang = 6): StackCut {
  const n = Math.round(200 / element);
  const m = Math.max(1, Math.round(overhang / element));
  const x = Float64Array.from([
    ...Array.from({ length: n + 1 }, (_, i) => (200 * i) / n),
    ...Array.from({ length: m }, (_, i) => 200 + (overhang * (i + 1)) / m),
  ]);
  const flat = (z: number): Float64Array => new Float64Array(x.length).fill(z);
  return {
    x,
    base: flat(0),
    layers: [{ from: 0, to: x.length - 1, lower: flat(0), upper: flat(thickness), law }],
    edge: { x: 200, top: 0, bottom: -12 },
  };
}

const LEVEL = { slope: 0, height: null };

function distance(line: readonly Point[], [x, z]: Point): number {
  let best = Infinity;
  for (let i = 1; i < line.length; i++) {
    const [[ax, az], [bx, bz]] = [line[i - 1]!, line[i]!];
    const [dx, dz] = [bx - ax, bz - az];
    const t = Math.max(0, Math.min(1, ((x - ax) * dx + (z - az) * dz) / (dx * dx + dz * dz)));
    best = Math.min(best, Math.hypot(ax + t * dx - x, az + t * dz - z));
  }
  return best;
}

const radius = (line: readonly Point[]): number => distance(line, [206, 50]) / (Math.SQRT2 - 1);

describe('the section under a pulled cover', () => {
  const law = constantLaw(0.04);

  it.each([
    [0.05, 12],
    [0.1, 20],
    [0.2, 32],
  ])('50 mm of 40 kPa pulled with %s N/mm: edge radius about %s mm', (pull, about) => {
    const { line, converged } = pullSection(slab(2.5, law), pull, LEVEL, 2.5);
    expect(converged).toBe(true);
    expect(radius(line)).toBeGreaterThan(about - 1.2);
    expect(radius(line)).toBeLessThan(about + 1.2);
  });

  it('at 0.10 the half cover is 258 mm where square arithmetic says 269', () => {
    const square = 206 + 50 + Math.hypot(6, 12);
    expect(square).toBeCloseTo(269.4, 1);
    expect(Math.abs(lineLength(pullSection(slab(2.5, law), 0.1, LEVEL, 2.5).line) - 258)).toBeLessThan(0.6);
  });

  it('without pull it is the square path', () => {
    const { line } = pullSection(slab(5, law), 1e-5, LEVEL, 5);
    expect(lineLength(line)).toBeCloseTo(206 + 50 + Math.hypot(6, 12), 1);
    expect(radius(line)).toBeLessThan(0.1);
  });

  it('pull and stiffness grown together leave the shape exactly alone', () => {
    const stack = (E: number) => meshOf(slab(5, constantLaw(E)), 5);
    const edge = { x: 200, top: 0, bottom: -12 };
    const one = relax(stack(0.04), 0.1, LEVEL, edge);
    const ten = relax(stack(0.4), 1, LEVEL, edge);
    one.at.forEach((v, i) => expect(Math.abs(v - ten.at[i]!)).toBeLessThan(1e-5));
  });

  it('half the mesh moves the cover by less than half a percent', () => {
    for (const pull of [0.05, 0.1, 0.2]) {
      const [coarse, fine] = [5, 2.5].map((h) => lineLength(pullSection(slab(h, law), pull, LEVEL, h).line));
      expect(Math.abs(coarse! / fine! - 1)).toBeLessThan(0.005);
    }
  });

  it('a harder pull shortens the cover and rounds the edge more, for every foam', () => {
    for (const foam of FOAMS) {
      const item = foamLaw(curveOf(foam));
      const lines = [0.02, 0.06, 0.12].map((pull) => pullSection(slab(5, item), pull, LEVEL, 5));
      expect(lines.every((l) => l.converged)).toBe(true);
      const lengths = lines.map((l) => lineLength(l.line));
      expect(lengths[0]!).toBeGreaterThan(lengths[1]!);
      expect(lengths[1]!).toBeGreaterThan(lengths[2]!);
      expect(radius(lines[2]!.line)).toBeGreaterThan(radius(lines[0]!.line));
    }
  });

  it('never pulls foam outwards: no place of the line lies outside what was there', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FOAMS),
        fc.double({ min: 5, max: 120, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0.02, max: 0.3, noNaN: true }),
        (foam, thickness, overhang, pull) => {
          const { line, converged } = pullSection(slab(6, foamLaw(curveOf(foam)), thickness, Math.max(1, overhang)), pull, LEVEL, 6);
          for (const [x, z] of line) {
            expect(Number.isFinite(x) && Number.isFinite(z)).toBe(true);
            // Foam pressed aside at the edge may stand out by a hair.
            if (converged) expect(z).toBeLessThan(thickness + 0.5);
          }
          if (converged) expect(lineLength(line)).toBeLessThan(200 + Math.max(1, overhang) + thickness + Math.hypot(overhang, 12) + 1);
        },
      ),
      { numRuns: runs(6, 40) },
    );
  });

  it('slope and curvature of every law agree with its energy', () => {
    const out = new Float64Array(9);
    for (const item of [constantLaw(0.04), ...FOAMS.map((foam) => foamLaw(curveOf(foam)))]) {
      for (const s of [0.03, 0.2, 0.5, 0.9, 0.999, 1.001, 1.4]) {
        const d = 1e-6;
        stretchTerms(item, s, out, 0);
        stretchTerms(item, s + d, out, 3);
        stretchTerms(item, s - d, out, 6);
        expect((out[3]! - out[6]!) / (2 * d) / out[1]!).toBeCloseTo(1, 3);
        expect((out[4]! - out[7]!) / (2 * d) / out[2]!).toBeCloseTo(1, 3);
      }
    }
  });
});

describe('sections of any stack', () => {
  weekly(2)('come to rest, or say that they did not, with nothing that is not a number; most do', () => {
    let rested = 0;
    let all = 0;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...FOAMS), fc.double({ min: 0.5, max: 120, noNaN: true }), fc.integer({ min: -40, max: 6 })), {
          minLength: 1,
          maxLength: 5,
        }),
        fc.double({ min: 0.02, max: 0.3, noNaN: true }),
        (rows, pull) => {
          const whole = slab(10, constantLaw(0.04));
          const n = whole.x.length;
          const under = new Float64Array(n);
          const layers = rows.map(([foam, thickness, offset]) => {
            let to = n - 1;
            while (to > 1 && whole.x[to]! > 200 + offset + 1e-9) to--;
            const lower = under.slice();
            for (let i = 0; i <= to; i++) under[i] = under[i]! + thickness;
            return { from: 0, to, lower, upper: under.slice(), law: foamLaw(curveOf(foam)) };
          });
          const { line, converged } = pullSection({ ...whole, layers }, pull, LEVEL, 10);
          all += 1;
          if (converged) rested += 1;
          expect(line.flat().every(Number.isFinite)).toBe(true);
          expect(line.at(-1)).toEqual([200, -12]);
          expect(Math.max(...line.map(([, z]) => z))).toBeLessThan(Math.max(...under) + 1);
        },
      ),
      { numRuns: runs(80, 1500) },
    );
    expect(rested / all).toBeGreaterThan(0.85);
  });
});

describe('the string and the wadding', () => {
  it('keeps to the outside and leaves hollows out', () => {
    const line = pulledPoints([
      [0, 50],
      [100, 40],
      [150, 50],
      [206, 50],
      [206, 0],
      [200, -12],
    ]);
    expect(line.map(([x]) => x)).not.toContain(100);
    expect(line[0]).toEqual([0, 50]);
    expect(line.at(-1)).toEqual([200, -12]);
  });

  it('wadding lies at its full settled thickness where nothing presses, and thinner round the edge', () => {
    const { line } = pullSection(slab(5, constantLaw(0.04)), 0.1, LEVEL, 5);
    const { cover, face } = overWadding(line, { thickness: 6, curve: WADDING_CURVE }, 0.1);
    expect(cover[0]![1] - line[0]![1]).toBeCloseTo(6, 1);
    const gap = Math.min(...face.map((p) => distance(line, p)));
    expect(gap).toBeLessThan(3);
    expect(lineLength(cover)).toBeGreaterThan(lineLength(line));
  });

  it('wadding covers the whole side and is pressed to next to nothing where the cover turns under: no spike stands off', () => {
    const { line } = pullSection(slab(5, constantLaw(0.04)), 0.1, LEVEL, 5);
    const { cover, face } = overWadding(line, { thickness: 6, curve: WADDING_CURVE }, 0.1);
    const [end, low] = [line.at(-1)!, face.at(-1)!];
    expect(Math.hypot(low[0] - end[0], low[1] - end[1])).toBeLessThan(1.5);
    // Half way down the side it is there.
    const half = line.filter(([, z]) => z < 20 && z > 0);
    expect(Math.max(...half.map((p) => distance(cover, p)))).toBeGreaterThan(2);
    // And nothing of the cover stands farther out than its wadding lets it.
    expect(Math.max(...cover.map(([x]) => x))).toBeLessThan(Math.max(...line.map(([x]) => x)) + 6.01);
  });
});

describe('a boxed edge', () => {
  /** The 50 mm pad on a half board of 200 mm, its edge held by a band that stands over the board's edge. */
  const boxed = (pull: number, law = constantLaw(0.04)): ReturnType<typeof pullSection> => {
    const stack = slab(5, law);
    return pullSection({ ...stack, edge: { ...stack.edge, seam: { x: 200, z: 50, down: [[200, stack.edge.bottom]] } } }, pull, LEVEL, 5);
  };

  it('the top is as wide as the board and the band stands straight, whatever the pull', () => {
    for (const pull of [0.05, 0.1, 0.2]) {
      const { line, converged } = boxed(pull);
      expect(converged).toBe(true);
      expect(line.at(-2)).toEqual([200, 50]);
      expect(line.at(-1)).toEqual([200, -12]);
      // Where the pulled-over cover loses its corner, a seam that is held keeps it.
      const corner = Math.min(...line.map(([x, z]) => Math.hypot(x - 200, z - 50)));
      expect(corner).toBeLessThan(0.01);
      expect(lineLength(line)).toBeGreaterThan(261.5);
      expect(lineLength(line)).toBeLessThan(262.6);
    }
  });

  it('keeps the foam in: no node of the side stands beyond the band by more than a hair', () => {
    const { layers } = boxed(0.1, foamLaw(curveOf(findMaterial(FOAMS, 'seat-firm')!)));
    for (const { rim } of layers) for (const [x] of rim) expect(x).toBeLessThan(200.5);
  });

  it('does not hang on the overhang: cut to the line or 6 mm beyond, the top comes out alike', () => {
    const flush = slab(5, constantLaw(0.04));
    const x = flush.x.slice(0, -1);
    const cut = (line: Float64Array): Float64Array => line.slice(0, x.length);
    const layer = flush.layers[0]!;
    const item = {
      ...flush,
      x,
      base: cut(flush.base),
      layers: [{ ...layer, to: x.length - 1, lower: cut(layer.lower), upper: cut(layer.upper) }],
      edge: { ...flush.edge, seam: { x: 200, z: 50, down: [[200, flush.edge.bottom] as [number, number]] } },
    };
    expect(lineLength(pullSection(item, 0.1, LEVEL, 5).line)).toBeCloseTo(lineLength(boxed(0.1).line), 0);
  });
});
