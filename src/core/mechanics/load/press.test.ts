import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf, curveOf, FOAMS, GRAVITY, SPECIMEN, specimenForce, strainAt, stressAt } from '../../foam';
import { bodySize, LOADERS, loaderOf } from '../../loaders';
import { foamSprings, forceAt, linearSprings, settle, sitOn, type Bed } from '.';
import { weekly } from '../../../testing/weekly';

/** Modified Bessel function of order nought, by its series. */
function bessel(x: number): number {
  let [sum, term] = [1, 1];
  for (let k = 1; k < 80; k++) {
    term *= (x / 2) ** 2 / (k * k);
    sum += term;
  }
  return sum;
}

/** A round membrane of radius a on a square grid, its edge held, under an even pressure downwards. */
function membrane(n: number, a: number, k: number, pull: number, q: number) {
  const step = (2.04 * a) / (n - 1);
  const count = n * n;
  const free = Uint8Array.from({ length: count }, (_, i) =>
    // Half a step in, so that the held nodes stand on the circle on average.
    Math.hypot(((i % n) - (n - 1) / 2) * step, (Math.floor(i / n) - (n - 1) / 2) * step) < a - step / 2 ? 1 : 0,
  );
  const settled = settle(
    {
      columns: n,
      rows: n,
      step,
      free,
      there: new Uint8Array(count).fill(1),
      rest: new Float64Array(count),
      springs: linearSprings(k),
      pull,
      load: new Float64Array(count).fill(-q),
    },
    new Float64Array(count),
  );
  return { settled, at: (r: number) => -settled.height[((n - 1) / 2) * n + (n - 1) / 2 + Math.round(r / step)]!, step };
}

describe('the crown surface', () => {
  it('springs under a disc of pressure: w(r) = (p/k)·(1 − I₀(βr)/I₀(βa)) within 1 %', () => {
    const [a, k, pull, q] = [200, 0.0008, 0.1, 0.001];
    const { settled, at, step } = membrane(201, a, k, pull, q);
    expect(settled.converged).toBe(true);
    const beta = Math.sqrt(k / pull);
    for (const r of [0, 50, 100, 150]) {
      const exact = (q / k) * (1 - bessel(beta * Math.round(r / step) * step) / bessel(beta * a));
      expect(Math.abs(at(r) / exact - 1)).toBeLessThan(0.01);
    }
  });

  it('no foam: a membrane of radius a sags p·a²/4T within 1 %', () => {
    const [a, pull, q] = [200, 0.1, 0.00005];
    const { settled, at } = membrane(201, a, 0, pull, q);
    expect(settled.converged).toBe(true);
    expect(Math.abs(at(0) / ((q * a * a) / (4 * pull)) - 1)).toBeLessThan(0.01);
  });

  it('layers in series carry one pressure, and the springs are read backwards exactly', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...FOAMS), fc.double({ min: 2, max: 80, noNaN: true })), { minLength: 1, maxLength: 4 }),
        fc.double({ min: 0.0002, max: 0.02, noNaN: true }),
        (layers, p) => {
          const curves = layers.map(([foam]) => curveOf(foam));
          const springs = foamSprings({ foams: curves.map(answerOf), thickness: layers.map(([, t]) => Float64Array.of(t)) });
          const c = Float64Array.of(layers.reduce((sum, [, t], i) => sum + t * strainAt(curves[i]!, p), 0));
          const found = new Float64Array(1);
          springs.read(c, found, new Float64Array(1));
          expect(Math.abs(found[0]! / p - 1)).toBeLessThan(0.02);
        },
      ),
    );
  });
});

function slab(width: number, depth: number, thickness: number, foam: (typeof FOAMS)[number], step: number, pull: number): Bed {
  const [n, m] = [Math.round(width / step) + 1, Math.round(depth / step) + 1];
  const all = new Float64Array(n * m).fill(thickness);
  return {
    columns: n,
    rows: m,
    step,
    x0: (-(n - 1) / 2) * step,
    y0: (-(m - 1) / 2) * step,
    there: new Uint8Array(n * m).fill(1),
    board: new Uint8Array(n * m).fill(1),
    rest: all,
    height: all,
    base: new Float64Array(n * m),
    layers: { foams: [answerOf(curveOf(foam))], thickness: [all] },
    foams: [0],
    pull,
  };
}

const foamOf = (id: string) => FOAMS.find((foam) => foam.id === id)!;
const seated = (mass: number) => (x: number, y: number) => loaderOf('seated').underside(x, y, bodySize(mass));
const load = (mass: number) => mass * 0.78 * GRAVITY;

describe('sitting', () => {
  weekly(0)('the test disc on the specimen sinks as the specimen test says', () => {
    for (const foam of FOAMS.slice(0, 6)) {
      const curve = curveOf(foam);
      const bed = slab(SPECIMEN.side, SPECIMEN.side, SPECIMEN.thickness, foam, 5, 0);
      // The disc on the grid is as large as its nodes: what it bears is compared for the area it has there.
      const nodes = bed.there.filter(
        (_, i) => Math.hypot(bed.x0 + (i % bed.columns) * 5, bed.y0 + Math.floor(i / bed.columns) * 5) <= 101.5,
      ).length;
      const area = (nodes * 25) / (Math.PI * 101.5 ** 2);
      for (const share of [0.4, 0.65]) {
        const force = specimenForce(curve, share);
        const deeper = stressAt(curve, share + 0.01) / stressAt(curve, share) - 1;
        const result = sitOn(bed, loaderOf('disc').underside as (x: number, y: number) => number, force);
        expect(result.converged).toBe(true);
        // Depth for that force, turned into force at the wanted depth: within 3 % once the areas agree.
        const off = (result.sink / 100 - share) * (deeper / 0.01);
        expect(Math.abs(off + (area - 1))).toBeLessThan(0.045);
      }
    }
  });

  it('meets its load within half a percent, heavier sinks more, thicker and harder less', () => {
    const sink = (mass: number, thickness: number, id: string) => {
      const result = sitOn(slab(440, 420, thickness, foamOf(id), 10, 0.1), seated(mass), load(mass));
      expect(result.converged).toBe(true);
      expect(Math.abs(result.residual)).toBeLessThan(0.005);
      return result;
    };
    const middle = sink(75, 75, 'seat-firm');
    expect(sink(95, 75, 'seat-firm').sink).toBeGreaterThan(middle.sink);
    expect(sink(75, 75, 'seat-extra-firm').sink).toBeLessThan(middle.sink);
    expect(sink(75, 100, 'seat-firm').leastLeft).toBeGreaterThan(middle.leastLeft);
    expect(sink(75, 100, 'seat-firm').peakPressure).toBeLessThan(middle.peakPressure);
  });

  it('is alike left and right', () => {
    const bed = slab(440, 420, 60, foamOf('seat-firm'), 10, 0.1);
    const { pressure } = sitOn(bed, seated(80), load(80));
    for (let j = 0; j < bed.rows; j++)
      for (let i = 0; i < bed.columns; i++)
        expect(Math.abs(pressure[j * bed.columns + i]! - pressure[j * bed.columns + bed.columns - 1 - i]!)).toBeLessThan(2e-6);
  });

  it('25 mm of soft foam under 95 kg is pressed flat; 75 mm of firm foam is not', () => {
    const thin = sitOn(slab(440, 420, 25, foamOf('seat-soft'), 10, 0.1), seated(95), load(95));
    const good = sitOn(slab(440, 420, 75, foamOf('seat-firm'), 10, 0.1), seated(95), load(95));
    expect(thin.leastLeft).toBeLessThan(10);
    expect(thin.strains[0]).toBeGreaterThan(0.7);
    expect(good.leastLeft).toBeGreaterThan(20);
    expect(good.strains[0]).toBeLessThan(0.7);
  });

  it.each(LOADERS.map((loader) => [loader.id, loader] as const))(
    '%s: the depth that is found bears its load when it is pressed to by itself, from untouched padding',
    (_, loader) => {
      for (const [mass, thickness, x] of [
        [60, 75, 0],
        [85, 50, 60],
        [120, 100, -190],
      ] as const) {
        const bed = slab(440, 420, thickness, foamOf('seat-firm'), 10, 0.1);
        const form = (at: number, y: number): number => loader.underside(at - x, y, bodySize(mass));
        const { sink, residual } = sitOn(bed, form, load(mass));
        const { force, converged } = forceAt(bed, form, sink);
        expect(converged && Math.abs(residual) < 0.002).toBe(true);
        expect(Math.abs(force / load(mass) - 1)).toBeLessThan(0.004);
      }
    },
  );

  weekly(1)('every loader and mass comes to rest on every foam, or says that it did not', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FOAMS),
        fc.constantFrom(...LOADERS),
        fc.double({ min: 5, max: 250, noNaN: true }),
        fc.double({ min: 10, max: 300, noNaN: true }),
        (foam, loader, mass, thickness) => {
          const bed = slab(400, 380, thickness, foam, 20, 0.1);
          const force = load(mass);
          const result = sitOn(bed, (x, y) => loader.underside(x, y, bodySize(mass)), force);
          expect(Number.isFinite(result.sink) && Number.isFinite(result.peakPressure)).toBe(true);
          expect(result.leastLeft).toBeGreaterThanOrEqual(0);
          expect(result.leastLeft).toBeLessThanOrEqual(thickness + 1e-6);
          expect(result.sink).toBeGreaterThanOrEqual(0);
          if (result.converged) expect(Math.abs(result.residual)).toBeLessThan(0.005);
        },
      ),
      { numRuns: 60 },
    );
  });
});
