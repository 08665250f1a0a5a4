import { describe, expect, it } from 'vitest';
import { flatten, type Polygon } from '../outline';
import { baseOutline } from '../outline';
import { meshOf } from './mesh';
import { bendPlate, patchLoad, type Hold } from './plate';

const E = 8000;
const NU = 0.3;
const rigidity = (t: number): number => (E * t ** 3) / (12 * (1 - NU * NU));
const rectangle = (a: number, b: number): Polygon => [
  [-a / 2, -b / 2],
  [a / 2, -b / 2],
  [a / 2, b / 2],
  [-a / 2, b / 2],
];

/** Navier's double series for a simply supported rectangle under a force in its middle: α in w = α·P·a²/D. */
function navier(a: number, b: number): number {
  let sum = 0;
  for (let m = 1; m < 400; m += 2) for (let n = 1; n < 400; n += 2) sum += 1 / ((m / a) ** 2 + (n / b) ** 2) ** 2;
  return (4 / (Math.PI ** 4 * a * b)) * sum;
}

describe('the plate agrees with the textbook within 2 %', () => {
  it.each([
    [400, 400],
    [500, 400],
    [800, 400],
  ])('simply supported rectangle %i × %i, force in the middle', (a, b) => {
    const d = rigidity(12);
    const mesh = meshOf(rectangle(a, b), [], Math.sqrt((a * b) / 900), [[0, 0]]);
    const holds = mesh.edge.map((edge): Hold => (edge ? 'supported' : 'free'));
    const { deflection } = bendPlate(mesh, { rigidity: d, poisson: NU }, holds, patchLoad(mesh, [0, 0], 0, 700));
    const exact = (700 / d) * navier(a, b);
    expect(Math.max(...deflection) / exact).toBeGreaterThan(0.98);
    expect(Math.max(...deflection) / exact).toBeLessThan(1.02);
  });

  it('clamped circle, force in the middle: P·r²/16πD', () => {
    const d = rigidity(9);
    const circle = flatten(baseOutline({ type: 'round', diameter: 400 }));
    const mesh = meshOf(circle, [], 11, [[0, 0]]);
    const holds = mesh.edge.map((edge): Hold => (edge ? 'clamped' : 'free'));
    const { deflection } = bendPlate(mesh, { rigidity: d, poisson: NU }, holds, patchLoad(mesh, [0, 0], 0, 500));
    const exact = (500 * 200 ** 2) / (16 * Math.PI * d);
    expect(Math.abs(Math.max(...deflection) / exact - 1)).toBeLessThan(0.02);
  });

  it('clamped circle under even pressure: p·r⁴/64D, and p·r²/8 of moment at its rim', () => {
    const d = rigidity(9);
    const circle = flatten(baseOutline({ type: 'round', diameter: 400 }));
    const mesh = meshOf(circle, [], 11);
    const holds = mesh.edge.map((edge): Hold => (edge ? 'clamped' : 'free'));
    const pressure = 0.01;
    const loads = patchLoad(mesh, [0, 0], 1e6, pressure * Math.PI * 200 ** 2);
    const { deflection, moment } = bendPlate(mesh, { rigidity: d, poisson: NU }, holds, loads);
    expect(Math.abs(Math.max(...deflection) / ((pressure * 200 ** 4) / (64 * d)) - 1)).toBeLessThan(0.02);
    expect(Math.abs(moment / ((pressure * 200 ** 2) / 8) - 1)).toBeLessThan(0.08);
  });

  it('is linear in the load and goes with the inverse cube of the thickness', () => {
    const mesh = meshOf(rectangle(450, 420), [], 25);
    const holds = mesh.edge.map((edge): Hold => (edge ? 'supported' : 'free'));
    const most = (t: number, force: number): number =>
      Math.max(...bendPlate(mesh, { rigidity: rigidity(t), poisson: NU }, holds, patchLoad(mesh, [0, 0], 100, force)).deflection);
    expect(most(12, 700) / most(12, 350)).toBeCloseTo(2, 4);
    expect(most(6, 700) / most(12, 700)).toBeCloseTo(8, 3);
  });
});
