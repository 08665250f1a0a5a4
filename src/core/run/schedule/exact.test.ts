import highs from 'highs';
import { describe, expect, it } from 'vitest';
import { dice } from '../../../testing/dice';
import { thrownShop, undue } from '../../../testing/shop';
import { checkSchedule, endOf, lowerBound, schedule, type Problem } from '.';

/** As long as nothing lasts: what is larger than all tasks and waits together. */
const most = ({ tasks }: Problem): number =>
  tasks.reduce((sum, { minutes, after }) => sum + minutes + Math.max(0, ...after.map(({ least }) => least)), 0);

/**
 * The same question asked of a solver for whole numbers, which proves its answer: starts, who does what, and of every two that could
 * meet which comes first. Work without breaks; benches are as many as people.
 */
function asProgramme(problem: Problem): string {
  const { tasks, workers } = problem;
  const big = most(problem);
  const rows: string[] = [];
  const binaries: string[] = [];
  tasks.forEach((a, i) => {
    rows.push(`span - s${i} >= ${a.minutes}`);
    rows.push(`${workers.map((_, w) => `x${i}_${w}`).join(' + ')} = 1`);
    binaries.push(...workers.map((_, w) => `x${i}_${w}`));
    for (const { on, least, most: within } of a.after) {
      const k = tasks.findIndex(({ id }) => id === on);
      rows.push(`s${i} - s${k} >= ${tasks[k]!.minutes + least}`);
      if (within !== null) rows.push(`s${i} - s${k} <= ${tasks[k]!.minutes + within}`);
    }
    tasks.slice(i + 1).forEach((b, off) => {
      const j = i + 1 + off;
      binaries.push(`y${i}_${j}`);
      // Either the one is over before the other begins, where both are in one place or in one person's hands.
      if (a.place === b.place && problem.places[a.place!] === 1) {
        rows.push(`s${j} - s${i} - ${big} y${i}_${j} >= ${a.minutes - big}`);
        rows.push(`s${i} - s${j} + ${big} y${i}_${j} >= ${b.minutes}`);
      }
      workers.forEach((_, w) => {
        rows.push(`s${j} - s${i} - ${big} y${i}_${j} - ${big} x${i}_${w} - ${big} x${j}_${w} >= ${a.minutes - 3 * big}`);
        rows.push(`s${i} - s${j} + ${big} y${i}_${j} - ${big} x${i}_${w} - ${big} x${j}_${w} >= ${b.minutes - 2 * big}`);
      });
    });
  });
  const bounds = [...tasks.map((_, i) => `0 <= s${i} <= ${big}`), `${lowerBound(problem)} <= span <= ${big}`];
  return `Minimize\n obj: span\nSubject To\n${rows.map((row, k) => ` c${k}: ${row}`).join('\n')}\nBounds\n${bounds.map((own) => ` ${own}`).join('\n')}\nBinary\n ${binaries.join('\n ')}\nEnd\n`;
}

describe('against a solver that proves its answer', () => {
  it('sets of up to 12 steps, some glued: within 5 % of the shortest there is, most of them the shortest', async () => {
    const solver = await highs();
    let [proved, shortest] = [0, 0];
    for (let seed = 1; seed <= 14; seed++) {
      const roll = dice(700 + seed);
      const thrown = thrownShop(roll, { tasks: 6 + (seed % 7), workers: 2 });
      const problem: Problem = { ...thrown, tasks: undue(thrown) };
      const { schedule: found } = schedule(problem, { tries: 300, roll });
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
    expect(proved).toBeGreaterThan(9);
    expect(shortest / proved).toBeGreaterThan(0.7);
  });
});
