// Lays on a roll: rectangles against the packer alone, jigsaws against what could at best be, real outlines against their boxes and
// against another nesting library; every lay looked over by a clipping library that had no part in it.
import { Worker } from 'node:worker_threads';
import { packRoll } from '../src/core/foam-cutting';
import { createSearch, layFaults, type Lay, type LayTask } from '../src/core/nesting';
import { bounds, polygonArea, type Polygon } from '../src/core/outline';
import { areaOf, jigsaw, packerRoll, randomBlanks } from '../src/testing/lays';
import { onRoll, shapesOf, taperedSeat } from '../src/testing/tapered';
import { bySweeps, compare, report } from './measure';

const WIDTH = 1400;
const SETS = 200;

console.log(`\n${SETS} thrown sets on a roll of ${WIDTH}`);
let [gained, longer] = [0, 0];
for (let set = 0; set < SETS; set++) {
  const { blanks, turn } = randomBlanks(set);
  const room = { gap: 10, turn };
  const [value, packer] = [packRoll(blanks, WIDTH, room).length, packerRoll(blanks, WIDTH, room)];
  gained += (100 * areaOf(blanks)) / WIDTH / value - (100 * areaOf(blanks)) / WIDTH / packer;
  if (value > packer + 1) longer += 1;
}
compare('points of use better than the packer, on the whole', gained / SETS, 3, true);
compare('sets that are longer than the packer’s', longer, 0);

const box = (width: number, height: number): Polygon => [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
];

/** The shortest of several searches, each in a worker of its own, as the page has them. */
async function pooled(task: LayTask, seconds: number, workers: number): Promise<Lay> {
  const found = await Promise.all(
    Array.from(
      { length: workers },
      (_, k) =>
        new Promise<Lay>((resolve, reject) => {
          const worker = new Worker(new URL('./lay-worker.mjs', import.meta.url), { workerData: { task, seconds, seed: k + 1 } });
          worker.once('message', resolve);
          worker.once('error', reject);
        }),
    ),
  );
  return found.reduce((best, lay) => (lay.used[0]! < best.used[0]! ? lay : best));
}

console.log('\nJigsaws that fill their roll, ten seconds in two workers');
let whole = true;
for (const count of [20, 30, 40, 50, 60]) {
  const parts = jigsaw(WIDTH, 3000, count);
  const shapes = parts.map(({ label, width, height }, k) => ({ ...shapesOf(1, () => box(width, height), [0])[0]!, key: `${label} ${k}` }));
  const task = onRoll(shapes, { gap: 0 });
  const lay = await pooled(task, 10, 2);
  whole &&= layFaults(task.shapes, lay.bins, lay.places, task).length === 0;
  compare(`use of a jigsaw of ${count}`, 3000 / lay.used[0]!, 0.97, true);
}

console.log('\nReal outlines, ten seconds in two workers');
for (const count of [12, 24, 40]) {
  const shapes = shapesOf(count, (k) => taperedSeat(480 + ((k * 37) % 190), 330 + ((k * 29) % 60), 420 + ((k * 53) % 150)));
  const task = onRoll(shapes);
  const area = shapes.reduce((sum, { outline }) => sum + Math.abs(polygonArea(outline)), 0);
  const lay = await pooled(task, 10, 2);
  whole &&= layFaults(task.shapes, lay.bins, lay.places, task).length === 0;
  const boxes = shapes.map(({ outline, key }) => ({ label: key, width: bounds(outline).width, height: bounds(outline).height }));
  const packer = packerRoll(boxes, WIDTH, { gap: 10, turn: false });
  const use = (length: number): number => (100 * area) / WIDTH / length;
  compare(`points of use better than the boxes of ${count} under the packer`, use(lay.used[0]!) - use(packer), 5, true);
}

console.log('\nA first lay, and 150 pieces');
for (const count of [8, 40, 150]) {
  const task = onRoll(shapesOf(count, (k) => taperedSeat(480 + ((k * 37) % 190), 360, 420 + ((k * 53) % 150))));
  createSearch(task).best();
  const began = performance.now();
  createSearch(task).best();
  compare(`first lay of ${count}, ms`, performance.now() - began, 200);
}
compare('lays that the other clipping library finds fault with', whole ? 0 : 1, 0);
report(
  'a lay of 40 boxes as they are laid while one waits',
  bySweeps(() => packRoll(jigsaw(WIDTH, 3000, 40), WIDTH, { gap: 0, turn: false }), 3),
  4000,
);
