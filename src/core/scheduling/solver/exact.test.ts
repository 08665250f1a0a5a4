import highs from 'highs';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../../testing/seeded-random';
import { asProgramme } from '../../../testing/exact-shop';
import { randomShop, undue } from '../../../testing/shop';
import { checkSchedule, endOf, schedule, usualTries, type Problem } from '.';
import { runs } from '../../../testing/runs';

describe('against a solver that proves its answer', () => {
  it('sets of up to 12 steps, some glued: within 5 % of the shortest there is, most of them the shortest', async () => {
    const solver = await highs();
    let [proved, shortest] = [0, 0];
    for (let seed = 1; seed <= runs(4, 14); seed++) {
      const roll = seededRandom(700 + seed);
      const random = randomShop(roll, { tasks: 6 + (seed % 7), workers: 2 });
      const problem: Problem = { ...random, tasks: undue(random) };
      const { schedule: found } = schedule(problem, { tries: usualTries(problem), roll });
      expect(checkSchedule(problem, found)).toEqual([]);
      const length = Math.max(...found.done.map(endOf));
      const answer = solver.solve(asProgramme(problem), { time_limit: 10, output_flag: false });
      if (answer.Status !== 'Optimal') continue;
      proved += 1;
      const best = answer.ObjectiveValue;
      // Nothing is shorter than what was proved; a tenth of a minute is the solver's own measure.
      expect(length, `seed ${seed}`).toBeGreaterThanOrEqual(best - 0.1);
      expect(length, `seed ${seed}`).toBeLessThanOrEqual(1.05 * best + 0.1);
      if (length <= best + 0.1) shortest += 1;
    }
    expect(proved).toBeGreaterThan(runs(2, 9));
    expect(shortest / proved).toBeGreaterThan(0.7);
  });
});
