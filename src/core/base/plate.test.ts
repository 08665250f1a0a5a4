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

describe('a plate with battens', () => {
  /** A strip on two supports with a batten along its middle, a force in the middle. */
  function strip(stiffness: number, thickness = 9, length = 800, width = 60) {
    const line = Array.from({ length: 17 }, (_, k): [number, number] => [-length / 2 + (length * k) / 16, 0]);
    const mesh = meshOf(rectangle(length, width), [], 20, line);
    const node = (p: readonly [number, number]): number =>
      mesh.nodes.reduce(
        (best, [x, y], i) =>
          Math.hypot(x - p[0], y - p[1]) < Math.hypot(mesh.nodes[best]![0] - p[0], mesh.nodes[best]![1] - p[1]) ? i : best,
        0,
      );
    const holds = mesh.nodes.map(([x]): Hold => (Math.abs(Math.abs(x) - length / 2) < 1e-6 ? 'supported' : 'free'));
    const beams = stiffness > 0 ? [{ nodes: line.map(node), stiffness }] : [];
    const plate = { rigidity: rigidity(thickness), poisson: NU };
    return bendPlate(mesh, plate, holds, patchLoad(mesh, [0, 0], 0, 300), beams);
  }

  // A batten laid on edge under the strip: both bend to one curve, so their stiffnesses add, w = P·L³/48(E·I₁ + E·I₂).
  it.each([
    [18, 30],
    [21, 45],
    [45, 20],
  ])('a batten %i × %i under a strip: within 3 % of the beam that both make, in deflection and in its moment', (b, h) => {
    const value = (9000 * b * h ** 3) / 12;
    const board = (E * 60 * 9 ** 3) / 12;
    const { deflection, beamMoment } = strip(value);
    const exact = (300 * 800 ** 3) / (48 * (value + board));
    expect(Math.max(...deflection) / exact).toBeGreaterThan(0.97);
    expect(Math.max(...deflection) / exact).toBeLessThan(1.03);
    // Its share of P·L/4; the middle of the last stretch lies a little off the force.
    const share = ((300 * 800) / 4) * (value / (value + board));
    expect(beamMoment / share).toBeGreaterThan(0.92);
    expect(beamMoment / share).toBeLessThan(1.03);
  });

  it('without stiffness changes nothing, and a very stiff one carries all', () => {
    const [plain, soft, hard] = [strip(0), strip(1), strip(1e14)];
    expect(Math.max(...soft.deflection) / Math.max(...plain.deflection)).toBeCloseTo(1, 4);
    expect(Math.max(...hard.deflection)).toBeLessThan(1e-3 * Math.max(...plain.deflection));
  });

  it('a rib across the middle that does not give halves a plate: as stiff as one of half its length held there', () => {
    const d = rigidity(12);
    const across = Array.from({ length: 13 }, (_, k): [number, number] => [0, -200 + (400 * k) / 12]);
    const mesh = meshOf(rectangle(800, 400), [], 22, [[-200, 0], ...across]);
    const holds = mesh.edge.map((edge): Hold => (edge ? 'supported' : 'free'));
    const nodes = across.map((p) => mesh.nodes.findIndex(([x, y]) => Math.hypot(x - p[0], y - p[1]) < 1e-6));
    expect(nodes.every((node) => node >= 0)).toBe(true);
    const ribbed = bendPlate(mesh, { rigidity: d, poisson: NU }, holds, patchLoad(mesh, [-200, 0], 0, 700), [{ nodes, stiffness: 1e13 }]);
    // The other half holds its edge between simply supported and clamped: Navier's square and its clamped-edge neighbour bound it.
    const free = (700 / d) * navier(400, 400);
    expect(Math.max(...ribbed.deflection)).toBeLessThan(free);
    expect(Math.max(...ribbed.deflection)).toBeGreaterThan(0.7 * free);
  });
});
