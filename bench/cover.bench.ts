// Speed of flattening against its peer, as a ratio in one run: npm run bench.
// Peer: one sparse factorisation and ten solves of a system of the same size by cholesky-solve 0.2.1, the sparse
// symmetric solver that the registry has.
import { createRequire } from 'node:module';
import { flattenSurface, type SurfaceMesh } from '../src/core/flattening';

const { prepare } = createRequire(import.meta.url)('cholesky-solve') as {
  prepare: (entries: [number, number, number][], n: number) => (right: number[]) => number[];
};

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

function median(runs: number, work: () => number): number {
  return Array.from({ length: runs }, work).sort((a, b) => a - b)[runs >> 1]!;
}

const { mesh, start } = dome();
const n = start.length / 2;
console.log(`\nFlattening, ${mesh.triangles.length / 3} triangles`);
let first = 0;
let rounds = 0;
const ours = median(5, () => {
  const began = performance.now();
  let seen = 0;
  const found = flattenSurface(mesh, start, {
    tell: () => {
      seen ||= performance.now() - began;
      return true;
    },
  });
  [first, rounds] = [seen, found.rounds];
  if (!found.settled) throw new Error('did not come to rest');
  return performance.now() - began;
});
const entries: [number, number, number][] = [];
const diagonal = new Float64Array(n).fill(1e-6);
const known = new Set<number>();
for (let t = 0; t < mesh.triangles.length; t += 3)
  for (let k = 0; k < 3; k++) {
    const [a, b] = [mesh.triangles[t + k]!, mesh.triangles[t + ((k + 1) % 3)]!];
    const key = Math.min(a, b) * n + Math.max(a, b);
    if (known.has(key)) continue;
    known.add(key);
    entries.push([a, b, -1], [b, a, -1]);
    diagonal[a]! += 1;
    diagonal[b]! += 1;
  }
diagonal.forEach((value, i) => entries.push([i, i, value]));
const began = performance.now();
const solve = prepare(entries, n);
for (let k = 0; k < 10; k++) solve(Array.from({ length: n }, (_, i) => Math.sin(i + k)));
const theirs = performance.now() - began;
console.log(`  settled in ${ours.toFixed(0)} ms, ${rounds} rounds (target 1000); first picture after ${first.toFixed(1)} ms (target 100)`);
console.log(
  `  one sparse factorisation and ten solves by the peer: ${theirs.toFixed(0)} ms; ours takes ${(ours / theirs).toFixed(2)} of it (target 3)`,
);
