import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { curveOf, energyAt, fitByHand, FOAMS, GRAVITY, modulusAt, pressDisc, SPECIMEN, specimenForce, strainAt, stressAt } from '.';
import { weekly } from '../../testing/weekly';

const foam = fc.constantFrom(...FOAMS);
const strain = fc.double({ min: 0.001, max: 0.95, noNaN: true });

describe('a foam’s curve', () => {
  it.each(FOAMS.map((f) => [f.name, f] as const))('%s: the simulated specimen gives back both hardnesses within 3 %%', (_, f) => {
    const curve = curveOf(f);
    expect(Math.abs(specimenForce(curve, 0.25) / f.ifd25 - 1)).toBeLessThan(0.03);
    expect(Math.abs(specimenForce(curve, 0.65) / (f.ifd25 * f.supportFactor) - 1)).toBeLessThan(0.03);
  });

  it('rises all the way, and its energy’s slope is the stress', () => {
    fc.assert(
      fc.property(foam, strain, (f, e) => {
        const curve = curveOf(f);
        expect(modulusAt(curve, e)).toBeGreaterThan(0);
        const d = 1e-5;
        expect((energyAt(curve, e + d) - energyAt(curve, e - d)) / (2 * d) / stressAt(curve, e)).toBeCloseTo(1, 4);
        expect((stressAt(curve, e + d) - stressAt(curve, e - d)) / (2 * d) / modulusAt(curve, e)).toBeCloseTo(1, 3);
      }),
    );
  });

  weekly(0)('read backwards gives the strain again', () => {
    fc.assert(
      fc.property(foam, strain, (f, e) => {
        expect(strainAt(curveOf(f), stressAt(curveOf(f), e))).toBeCloseTo(e, 6);
      }),
    );
    expect(strainAt(curveOf(FOAMS[0]!), 0)).toBe(0);
  });

  weekly(1)('two half thicknesses in series are one whole', () => {
    fc.assert(
      fc.property(foam, strain, fc.double({ min: 5, max: 120, noNaN: true }), (f, e, t) => {
        const p = stressAt(curveOf(f), e);
        const whole = t * strainAt(curveOf(f), p);
        const halves = (t / 2) * strainAt(curveOf(f), p) + (t / 2) * strainAt(curveOf(f), p);
        expect(halves).toBeCloseTo(whole, 9);
      }),
    );
  });

  it('harder foam is harder everywhere; no foam has a support factor of 1.05', () => {
    const [soft, hard] = [
      curveOf({ type: 'polyether', ifd25: 100, supportFactor: 2 }),
      curveOf({ type: 'polyether', ifd25: 200, supportFactor: 2 }),
    ];
    for (const e of [0.02, 0.1, 0.4, 0.7]) expect(stressAt(hard, e) / stressAt(soft, e)).toBeCloseTo(2, 6);
    expect(() => curveOf({ type: 'polyether', ifd25: 100, supportFactor: 1.05 })).toThrow(RangeError);
  });

  it('the disc drags some foam down around it: a third more than pressing its area alone', () => {
    for (const f of FOAMS) {
      const curve = curveOf(f);
      const alone = stressAt(curve, 0.4) * Math.PI * (SPECIMEN.disc / 2) ** 2;
      expect(specimenForce(curve, 0.4) / alone).toBeGreaterThan(1.2);
      expect(specimenForce(curve, 0.4) / alone).toBeLessThan(1.45);
    }
  });
});

describe('presses by hand', () => {
  const read = (f: (typeof FOAMS)[number], thickness: number, disc: number, depths: number[]) =>
    depths.map((depth) => ({ depth, load: pressDisc(curveOf(f), { thickness, radius: 190 }, disc / 2, depth) / GRAVITY }));

  weekly(2)('give back the foam that was pressed', () => {
    for (const f of FOAMS) {
      const fit = fitByHand(60, 100, read(f, 60, 100, [12, 25, 40]));
      expect(fit.ok).toBe(true);
      if (!fit.ok) continue;
      expect(Math.abs(fit.ifd25 / f.ifd25 - 1)).toBeLessThan(0.05);
      expect(Math.abs(fit.supportFactor / f.supportFactor - 1)).toBeLessThan(0.06);
      expect(fit.misfit).toBeLessThan(0.03);
    }
  });

  it('with two readings meet both', () => {
    const fit = fitByHand(50, 80, [
      { depth: 12, load: 3 },
      { depth: 33, load: 6.5 },
    ]);
    expect(fit).toMatchObject({ ok: true });
    if (fit.ok) expect(fit.misfit).toBeLessThan(1e-6);
  });

  it('that cannot be a foam’s are refused with a reason', () => {
    expect(fitByHand(50, 80, [{ depth: 10, load: 3 }])).toMatchObject({ ok: false, message: expect.stringContaining('Two readings') });
    for (const [depths, loads, why] of [
      [[12, 33], [6, 3], 'heavier'],
      [[12, 15], [3, 4], 'too close'],
      [[12, 49], [3, 9], 'a tenth'],
      [[0, 30], [3, 9], 'more than nothing'],
      [[12, 33], [3, 400], 'No foam goes'],
    ] as const) {
      const fit = fitByHand(
        50,
        80,
        depths.map((depth, i) => ({ depth, load: loads[i]! })),
      );
      expect(fit).toMatchObject({ ok: false, message: expect.stringContaining(why) });
    }
  });
});
