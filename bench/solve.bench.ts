// Speed of the solvers against their peers, as ratios in one run: npm run bench.
// The package's own entry is not a module that Node.js can load; its sources are.
import { conjugateGradient } from 'fmin/src/conjugateGradient.js';
import { curveOf, findMaterial, FOAMS } from '../src/core/foam';
import { levelOf, linearSprings, redBlack, settle } from '../src/core/press';
import { constantLaw, foamLaw, meshOf, pulledProblem, relax, type Law, type StackCut } from '../src/core/pull';

function median(runs: number, work: () => unknown): number {
  for (let i = 0; i < 3; i++) work();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[runs >> 1]!;
}

/** A 50 mm pad on a half board of 200 mm, columns 5 mm apart all the way. */
function slab(law: Law): StackCut {
  const x = Float64Array.from([...Array.from({ length: 41 }, (_, i) => 5 * i), 206]);
  const flat = (z: number): Float64Array => new Float64Array(x.length).fill(z);
  return { x, base: flat(0), layers: [{ from: 0, to: 41, lower: flat(0), upper: flat(50), law }], edge: { x: 200, top: 0, bottom: -12 } };
}

const level = { slope: 0, height: null };
const firm = foamLaw(curveOf(findMaterial(FOAMS, 'seat-firm')!));
console.log('\nSection solver, 5 mm elements, 50 mm pad');
for (const [name, law] of [
  ['constant 40 kPa', constantLaw(0.04)],
  ['firm seating foam', firm],
] as const) {
  const stack = slab(law);
  const ms = median(25, () => relax(meshOf(stack, 5), 0.09, level, stack.edge));
  console.log(`  ${name.padEnd(22)}${ms.toFixed(1).padStart(8)} ms a station (target 4)`);
}

const stack = slab(constantLaw(0.04));
const mesh = meshOf(stack, 5);
const own = relax(mesh, 0.1, level, stack.edge);
const ours = median(15, () => relax(mesh, 0.1, level, stack.edge));
const problem = pulledProblem(mesh, 0.1, level, stack.edge);
const began = performance.now();
const found = conjugateGradient(
  (x: number[], slope: number[]) => {
    slope ??= [];
    const energy = problem.energy(x, slope);
    return energy;
  },
  Array<number>(problem.unknowns).fill(0),
  { maxIterations: 4000 },
);
const theirs = performance.now() - began;
const line = problem.line(found.x);
let apart = 0;
for (let i = 0; i < line.length; i += 2) {
  let nearest = Infinity;
  for (let j = 2; j < own.line.length; j += 2) {
    const [ax, az, dx, dz] = [own.line[j - 2]!, own.line[j - 1]!, own.line[j]! - own.line[j - 2]!, own.line[j + 1]! - own.line[j - 1]!];
    const t = Math.max(0, Math.min(1, ((line[i]! - ax) * dx + (line[i + 1]! - az) * dz) / (dx * dx + dz * dz)));
    nearest = Math.min(nearest, Math.hypot(ax + t * dx - line[i]!, az + t * dz - line[i + 1]!));
  }
  apart = Math.max(apart, nearest);
}
console.log(
  `  general optimiser (fmin, conjugate gradient): ${theirs.toFixed(0)} ms, ×${(theirs / ours).toFixed(0)} of ours (target ×20); shapes ${apart.toFixed(3)} mm apart (target 0.2)`,
);

console.log('\nCrown surface against one plain red-black sweep of the same grid');
let last = 0;
for (const n of [101, 201, 401]) {
  const count = n * n;
  const [a, step] = [200, 408 / (n - 1)];
  const free = Uint8Array.from({ length: count }, (_, i) =>
    Math.hypot(((i % n) - (n - 1) / 2) * step, (Math.floor(i / n) - (n - 1) / 2) * step) < a ? 1 : 0,
  );
  const surface = {
    columns: n,
    rows: n,
    step,
    free,
    there: new Uint8Array(count).fill(1),
    rest: new Float64Array(count),
    springs: linearSprings(0.0008),
    pull: 0.1,
    load: new Float64Array(count).fill(-0.001),
  };
  const whole = median(9, () => settle(surface, new Float64Array(count)));
  const plain = levelOf(n, n, new Uint8Array(count).fill(1));
  plain.east.fill(0.1);
  plain.north.fill(0.1);
  plain.kappa.fill(0.0008);
  const sweep = median(25, () => redBlack(plain));
  const growth = last ? `, nodes^${(Math.log(whole / last) / Math.log(4)).toFixed(2)} from the grid before (target 1.15)` : '';
  console.log(`  ${n} × ${n}: ${whole.toFixed(1)} ms = ${(whole / sweep).toFixed(0)} sweeps (target 100)${growth}`);
  last = whole;
}
