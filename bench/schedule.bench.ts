// Schedules: thrown workshops before a checker that has no part in finding them, short ones against a solver that proves its answer,
// sets of 40 against what no schedule can be shorter than.
import highs from 'highs';
import { checkSchedule, endOf, lowerBound, schedule, usualTries, type Problem } from '../src/core/scheduling/solver';
import { seededRandom } from '../src/testing/seeded-random';
import { asProgramme } from '../src/testing/exact-shop';
import { randomShop, undue } from '../src/testing/shop';
import { bySweeps, compare, report } from './measure';

const THROWN = 1000;
let wrong = 0;
for (let seed = 1; seed <= THROWN; seed++) {
  const roll = seededRandom(seed);
  const problem = randomShop(roll, { tasks: 4 + (seed % 17), workers: 1 + (seed % 3), breaks: seed % 2 === 0 });
  wrong += checkSchedule(problem, schedule(problem, { tries: 4, roll }).schedule).length;
}
console.log(`\n${THROWN} thrown workshops`);
compare('windows broken, people or places doubled', wrong, 0);

const solver = await highs();
let [proved, worst, shortest] = [0, 1, 0];
for (let seed = 1; seed <= 40; seed++) {
  const roll = seededRandom(5000 + seed);
  const random = randomShop(roll, { tasks: 6 + (seed % 7), workers: 2 });
  const problem: Problem = { ...random, tasks: undue(random) };
  const length = Math.max(...schedule(problem, { tries: usualTries(problem), roll }).schedule.done.map(endOf));
  const answer = solver.solve(asProgramme(problem), { time_limit: 20, output_flag: false });
  if (answer.Status !== 'Optimal') continue;
  proved += 1;
  worst = Math.max(worst, length / answer.ObjectiveValue);
  if (length <= answer.ObjectiveValue + 0.1) shortest += 1;
}
console.log(`\nUp to 12 steps, ${proved} proved`);
compare('the worst against the shortest there is', worst, 1.05);
compare('of them the shortest itself, percent', (100 * shortest) / proved, 70, true);

let [most, sum] = [1, 0];
const SETS = 60;
for (let seed = 1; seed <= SETS; seed++) {
  const roll = seededRandom(9000 + seed);
  const random = randomShop(roll, { tasks: 40, workers: 2 + (seed % 3) });
  const problem: Problem = { ...random, tasks: undue(random) };
  const share = Math.max(...schedule(problem, { tries: usualTries(problem), roll }).schedule.done.map(endOf)) / lowerBound(problem);
  most = Math.max(most, share);
  sum += share;
}
console.log(`\n${SETS} sets of 40`);
compare('the worst against what none can be shorter than', most, 1.15);
compare('on the whole', sum / SETS, 1.1);

const full = randomShop(seededRandom(3), { tasks: 150, workers: 3, breaks: true });
report(
  '150 tasks in working hours, 100 tries',
  bySweeps(() => schedule(full, { tries: 100, roll: seededRandom(1) }), 3),
  4000,
);
