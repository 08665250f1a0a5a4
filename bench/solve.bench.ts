// The solvers: in bare sweeps, and against peers that anybody can have. fmin's own entry is no module that Node.js can load.
import { createRequire } from 'node:module';
import { conjugateGradient } from 'fmin/src/conjugateGradient.js';
import { curveOf, findMaterial, FOAMS } from '../src/core/foam';
import { flattenSurface, type SurfaceMesh } from '../src/core/flattening';
import { linearSprings, settle } from '../src/core/mechanics/load';
import { constantLaw, foamLaw, meshOf, pulledProblem, relax, type Law, type StackCut } from '../src/core/mechanics/section';
import { bySweeps, compare, report, timed } from './measure';

const { prepare } = createRequire(import.meta.url)('cholesky-solve') as {
  prepare: (entries: [number, number, number][], n: number) => (right: number[]) => number[];
};

/** A 50 mm pad on a half board of 200 mm, columns 5 mm apart all the way. */
function slab(law: Law): StackCut {
  const x = Float64Array.from([...Array.from({ length: 41 }, (_, i) => 5 * i), 206]);
  const flat = (z: number): Float64Array => new Float64Array(x.length).fill(z);
  return { x, base: flat(0), layers: [{ from: 0, to: 41, lower: flat(0), upper: flat(50), law }], edge: { x: 200, top: 0, bottom: -12 } };
}

const level = { slope: 0, height: null };
console.log('\nA section of a 50 mm pad at 5 mm elements');
for (const [name, law] of [
  ['constant 40 kPa', constantLaw(0.04)],
  ['firm seating foam', foamLaw(curveOf(findMaterial(FOAMS, 'seat-firm')!))],
] as const) {
  const stack = slab(law);
  report(
    name,
    bySweeps(() => relax(meshOf(stack, 5), 0.09, level, stack.edge), 60),
    15,
  );
}

/** The farthest that one line's places lie off another line, mm. */
function apart(line: Float64Array, other: Float64Array): number {
  let farthest = 0;
  for (let i = 0; i < line.length; i += 2) {
    let nearest = Infinity;
    for (let j = 2; j < other.length; j += 2) {
      const [ax, az, dx, dz] = [other[j - 2]!, other[j - 1]!, other[j]! - other[j - 2]!, other[j + 1]! - other[j - 1]!];
      const t = Math.max(0, Math.min(1, ((line[i]! - ax) * dx + (line[i + 1]! - az) * dz) / (dx * dx + dz * dz)));
      nearest = Math.min(nearest, Math.hypot(ax + t * dx - line[i]!, az + t * dz - line[i + 1]!));
    }
    farthest = Math.max(farthest, nearest);
  }
  return farthest;
}

const stack = slab(constantLaw(0.04));
const mesh = meshOf(stack, 5);
const relaxed = relax(mesh, 0.1, level, stack.edge);
const ours = bySweeps(() => relax(mesh, 0.1, level, stack.edge), 20).ms;
const problem = pulledProblem(mesh, 0.1, level, stack.edge);
let found: number[] = [];
const theirs = timed(() => {
  found = conjugateGradient((x, slope) => problem.energy(x, slope), Array<number>(problem.unknowns).fill(0), { maxIterations: 4000 }).x;
});
compare('a general optimiser (fmin) takes, of ours', theirs / ours, 20, true);
compare('and its shape lies off ours, mm', apart(problem.line(found), relaxed.line), 0.2);

console.log('\nCrown surface');
let last = 0;
for (const n of [101, 201, 401]) {
  const count = n * n;
  const [radius, step] = [200, 408 / (n - 1)];
  const middle = (n - 1) / 2;
  const free = Uint8Array.from({ length: count }, (_, i) =>
    Math.hypot(((i % n) - middle) * step, (Math.floor(i / n) - middle) * step) < radius ? 1 : 0,
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
  const measured = bySweeps(() => settle(surface, new Float64Array(count)), 9);
  const growth = last ? `  nodes^${(Math.log(measured.ms / last) / Math.log(4)).toFixed(2)} from the grid before (at most 1.15)` : '';
  report(`${n} × ${n}`, measured, n === 201 ? 120 : Math.round(120 * (count / 201 ** 2) ** 1.15), growth);
  last = measured.ms;
}

const SIDE = 100;

/** 20,000 triangles over a dome. */
function dome(): { mesh: SurfaceMesh; start: Float64Array } {
  const points: number[] = [];
  const start: number[] = [];
  const triangles: number[] = [];
  for (let j = 0; j <= SIDE; j++)
    for (let i = 0; i <= SIDE; i++) {
      const [x, y] = [(i / SIDE - 0.5) * 450, (j / SIDE - 0.5) * 420];
      points.push(x, y, 30 * Math.cos(x / 180) * Math.cos(y / 170));
      start.push(x, y);
    }
  for (let j = 0; j < SIDE; j++)
    for (let i = 0; i < SIDE; i++) {
      const a = j * (SIDE + 1) + i;
      triangles.push(a, a + 1, a + SIDE + 2, a, a + SIDE + 2, a + SIDE + 1);
    }
  return { mesh: { points: Float64Array.from(points), triangles: Uint32Array.from(triangles) }, start: Float64Array.from(start) };
}

/** One sparse factorisation and ten solves of a system with a dome's edges by the registry's sparse symmetric solver. */
function peerSolve({ triangles }: SurfaceMesh, n: number): void {
  const entries: [number, number, number][] = [];
  const diagonal = new Float64Array(n).fill(1e-6);
  const known = new Set<number>();
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!];
      const key = Math.min(a, b) * n + Math.max(a, b);
      if (known.has(key)) continue;
      known.add(key);
      entries.push([a, b, -1], [b, a, -1]);
      diagonal[a]! += 1;
      diagonal[b]! += 1;
    }
  diagonal.forEach((value, i) => entries.push([i, i, value]));
  const solve = prepare(entries, n);
  for (let k = 0; k < 10; k++) solve(Array.from({ length: n }, (_, i) => Math.sin(i + k)));
}

console.log('\nFlattening, 20,000 triangles');
const { mesh: domed, start } = dome();
let seen = 0;
const flattened = bySweeps(() => {
  const began = performance.now();
  seen = 0;
  const { settled } = flattenSurface(domed, start, {
    tell: () => {
      seen ||= performance.now() - began;
      return true;
    },
  });
  if (!settled) throw new Error('did not come to rest');
}, 3);
report('laid flat', flattened, 6000);
report('its first picture', { ...flattened, ms: seen, ratio: seen / flattened.sweep }, 600);
compare('of one sparse factorisation and ten solves', flattened.ms / timed(() => peerSolve(domed, start.length / 2)), 3);
