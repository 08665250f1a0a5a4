import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../../testing/seeded-random';
import { randomShop, undue } from '../../../testing/shop';
import { beginOf, checkSchedule, costOf, endOf, glueBatch, lowerBound, schedule, type Problem, type Schedule } from '.';
import { weekly } from '../../../testing/weekly';

const last = ({ done }: Schedule): number => Math.max(...done.map(endOf));

describe('a schedule', () => {
  weekly(2)('of a thousand random workshops breaks no window and doubles nothing', () => {
    for (let seed = 1; seed <= 1000; seed++) {
      const roll = seededRandom(seed);
      const shop = randomShop(roll, { tasks: 4 + (seed % 17), workers: 1 + (seed % 3), breaks: seed % 2 === 0 });
      const problem: Problem = { ...shop, change: seed % 4 < 2 ? 10 : 0 };
      const { schedule: found } = schedule(problem, { tries: 4, roll });
      expect(checkSchedule(problem, found), `seed ${seed}`).toEqual([]);
      // Nobody works by seconds.
      for (const { spans } of found.done) expect(spans.flat().every(Number.isInteger), `seed ${seed}`).toBe(true);
      expect(found.left, `seed ${seed}`).toEqual([]);
      if (seed % 2) expect(last(found), `seed ${seed}`).toBeGreaterThanOrEqual(lowerBound(problem) - 1e-6);
    }
  });

  weekly(1)(
    'of a large floor holds as well and places everything, by rule, with its next weeks improved, and from yesterday’s order',
    () => {
      const problem: Problem = { ...randomShop(seededRandom(11), { tasks: 1510, workers: 6 }), change: 10 };
      const byRule = schedule(problem, { tries: 1, roll: seededRandom(1) });
      const improved = schedule(problem, { tries: 9, roll: seededRandom(1), known: byRule.schedule });
      for (const { schedule: found } of [byRule, improved]) {
        expect(checkSchedule(problem, found)).toEqual([]);
        expect(found.left).toEqual([]);
      }
      expect(improved.cost).toBeLessThanOrEqual(byRule.cost);
      // What is laid on a far day by hand draws nothing after it.
      const far = problem.workers.map(({ id }) => ({ id: `far ${id}`, minutes: 30, after: [], from: 400 * 1440, who: [id], due: 0 }));
      const { schedule: found } = schedule({ ...problem, tasks: [...far, ...problem.tasks] }, { tries: 1, roll: seededRandom(1) });
      expect(last({ ...found, done: found.done.filter(({ id }) => !id.startsWith('far')) })).toBeLessThan(1.2 * last(byRule.schedule));
    },
  );

  weekly(3)('of sets of 40 is within 15 % of what no schedule can be shorter than', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const roll = seededRandom(100 + seed);
      const problem = randomShop(roll, { tasks: 40, workers: 2 + (seed % 2) });
      const plain: Problem = { ...problem, tasks: undue(problem) };
      const { schedule: found } = schedule(plain, { tries: 400, roll });
      expect(checkSchedule(plain, found)).toEqual([]);
      expect(last(found) / lowerBound(plain), `seed ${seed}`).toBeLessThanOrEqual(1.15);
    }
  });

  it('the checker finds what is wrong, each by itself', () => {
    const problem: Problem = {
      tasks: [
        { id: 'spray', minutes: 10, place: 'spray', after: [] },
        { id: 'lay', minutes: 10, place: 'bench', after: [{ on: 'spray', least: 5, most: 20 }] },
        { id: 'sew', minutes: 30, place: 'machine', after: [], who: ['b'], from: 15 },
      ],
      workers: [
        { id: 'a', hours: [[0, 100]] },
        {
          id: 'b',
          hours: [
            [0, 40],
            [60, 100],
          ],
        },
      ],
      places: { spray: 1, bench: 1, machine: 1 },
    };
    const right: Schedule = {
      done: [
        { id: 'spray', who: 'a', spans: [[0, 10]] },
        { id: 'lay', who: 'a', spans: [[15, 25]] },
        {
          id: 'sew',
          who: 'b',
          spans: [
            [15, 40],
            [60, 65],
          ],
        },
      ],
      left: [],
    };
    expect(checkSchedule(problem, right)).toEqual([]);
    const wrong = (id: string, change: Partial<Schedule['done'][number]>): string =>
      checkSchedule(problem, { ...right, done: right.done.map((done) => (done.id === id ? { ...done, ...change } : done)) }).join('; ');
    expect(wrong('lay', { spans: [[12, 22]] })).toContain('3 too soon');
    expect(wrong('lay', { spans: [[31, 41]] })).toContain('1 too late');
    expect(wrong('lay', { spans: [[15, 24]] })).toContain('takes 9 instead of 10');
    expect(wrong('spray', { who: 'b' })).toBe('');
    expect(wrong('sew', { who: 'a', spans: [[30, 60]] })).toContain('not for a');
    expect(wrong('sew', { spans: [[10, 40]] })).toContain('before 15');
    expect(wrong('sew', { spans: [[30, 60]] })).toContain('not there');
    expect(
      wrong('sew', {
        spans: [
          [15, 30],
          [60, 75],
        ],
      }),
    ).toContain('laid down while b is there');
    expect(wrong('lay', { spans: [[5, 15]] })).toContain('has 2 things in hand');
    expect(checkSchedule(problem, { ...right, done: right.done.slice(1) }).join()).toContain('forgotten');
    expect(checkSchedule(problem, { ...right, left: ['lay'] }).join()).toContain('done and left');
    expect(checkSchedule({ ...problem, places: { ...problem.places, bench: 0 } }, right).join()).toContain('place bench');
    const separate = { ...problem, tasks: problem.tasks.map((task, k) => ({ ...task, set: `set ${k}` })) };
    expect(checkSchedule({ ...separate, change: 5 }, right)).toEqual([]);
    expect(checkSchedule({ ...separate, change: 6 }, right)).toEqual(['a changes from spray to lay in 5']);
  });

  it('a change from one set to another takes its time, before and after what is there already', () => {
    const of = (set: string, id: string): Problem['tasks'][number] => ({ id, set, minutes: 20, after: [] });
    const problem: Problem = {
      tasks: [of('x', 'x1'), of('y', 'y1'), of('x', 'x2')],
      workers: [{ id: 'a', hours: [[0, 200]] }],
      places: {},
      change: 10,
    };
    const { schedule: found } = schedule(problem, { tries: 50, roll: seededRandom(3) });
    expect(checkSchedule(problem, found)).toEqual([]);
    // Both of one set, then the other: 60 minutes of work and one change.
    expect(Math.max(...found.done.map(endOf))).toBe(70);
  });

  it('glue is met: what is sprayed waits for whoever is to lay it, over a night too', () => {
    const hours = [
      [0, 60],
      [600, 900],
    ] as const;
    const problem: Problem = {
      tasks: [
        { id: 'cut', minutes: 45, place: 'table', after: [] },
        { id: 'spray', minutes: 5, place: 'spray', after: [{ on: 'cut', least: 0, most: null }] },
        { id: 'lay', minutes: 20, place: 'bench', after: [{ on: 'spray', least: 5, most: 15 }] },
      ],
      workers: [{ id: 'a', hours }],
      places: { table: 1, spray: 1, bench: 1 },
    };
    const { schedule: found } = schedule(problem, { tries: 5, roll: seededRandom(1) });
    expect(checkSchedule(problem, found)).toEqual([]);
    // Sprayed at 45 it would be laid at 55 and not be done by 60: both are left for the morning.
    expect(beginOf(found.done.find(({ id }) => id === 'spray')!)).toBeGreaterThanOrEqual(600);
  });

  it('a due day is met where it can be, and told by how much where it cannot', () => {
    const task = (id: string, minutes: number, due?: number) => ({ id, minutes, after: [], ...(due === undefined ? {} : { due }) });
    const problem: Problem = { tasks: [task('long', 100), task('short', 10, 20)], workers: [{ id: 'a', hours: [[0, 1e4]] }], places: {} };
    const { schedule: found } = schedule(problem, { tries: 10, roll: seededRandom(2) });
    expect(endOf(found.done.find(({ id }) => id === 'short')!)).toBe(10);
    expect(costOf(problem, found)).toBeLessThan(
      costOf(problem, {
        done: [
          { id: 'long', who: 'a', spans: [[0, 100]] },
          { id: 'short', who: 'a', spans: [[100, 110]] },
        ],
        left: [],
      }),
    );
  });

  it('stops when it is asked to, with the best so far, and tells of every better one', () => {
    const roll = seededRandom(9);
    const problem = randomShop(roll, { tasks: 30, workers: 2 });
    const heard: number[] = [];
    let asked = 0;
    const found = schedule(problem, { tries: 10_000, roll, stop: () => ++asked > 50, better: ({ cost }) => heard.push(cost) });
    expect(found.tried).toBeLessThan(60);
    expect(heard.length).toBeGreaterThan(0);
    expect(heard).toEqual([...heard].sort((a, b) => b - a));
    expect(found.cost).toBe(heard.at(-1));
    expect(checkSchedule(problem, found.schedule)).toEqual([]);
  });

  it('what waits for itself, or for nobody, is told and hinders nothing else', () => {
    const circle: Problem = {
      tasks: [
        { id: 'a', minutes: 5, after: [{ on: 'b', least: 0, most: null }] },
        { id: 'b', minutes: 5, after: [{ on: 'a', least: 0, most: null }] },
        { id: 'c', minutes: 5, after: [] },
        { id: 'd', minutes: 5, after: [], who: ['nobody'] },
        { id: 'e', minutes: 5, after: [{ on: 'd', least: 0, most: null }] },
      ],
      workers: [{ id: 'w', hours: [[0, 100]] }],
      places: {},
    };
    const { schedule: found } = schedule(circle, { tries: 5, roll: seededRandom(4) });
    expect(found.done.map(({ id }) => id)).toEqual(['c']);
    expect([...found.left].sort()).toEqual(['a', 'b', 'd', 'e']);
    expect(checkSchedule(circle, found)).toEqual([]);
  });
});

describe('a batch of glued pieces', () => {
  it('is as large as still meets every one between tacky and dry, by counting minute for minute', () => {
    for (const [s, g, tack, open] of [
      [3, 5, 5, 25],
      [5, 3, 5, 25],
      [4, 4, 10, 30],
      [8, 2, 2, 15],
      [2, 12, 15, 60],
      [10, 10, 5, 5],
    ] as const)
      for (const count of [1, 4, 8, 12]) {
        const { size, least, most } = glueBatch(s, g, tack, open, count);
        // One person: all are sprayed, then all are laid, a gap between that is anywhere in what was told.
        const fits = (n: number, gap: number): boolean =>
          Array.from({ length: n }, (_, k) => n * s + gap + k * g - (k + 1) * s).every(
            (rest) => rest >= tack - 1e-9 && rest <= open + 1e-9,
          );
        expect(fits(size, least), `${s} ${g} ${tack} ${open} ${count}`).toBe(true);
        expect(fits(size, most)).toBe(true);
        expect(fits(size, most + 1)).toBe(false);
        if (least > 0) expect(fits(size, least - 1)).toBe(false);
        // One more would not go, whatever the gap.
        if (size < count) expect(Array.from({ length: 200 }, (_, gap) => fits(size + 1, gap)).some(Boolean)).toBe(false);
      }
  });
});

describe('what stands to dry', () => {
  const task = (id: string, units: number, from = 0) => ({
    id,
    minutes: 10,
    after: [],
    from,
    rests: { place: 'rack', minutes: 60, units },
  });
  const worker = (id: string) => ({ id, hours: [[0, 1e4]] as const });

  it('finds room, or is glued later; the checker counts it too', () => {
    const problem: Problem = {
      tasks: [task('a', 2), task('b', 2), task('c', 1)],
      workers: [worker('x'), worker('y'), worker('z')],
      places: { rack: 3 },
    };
    const { schedule: found } = schedule(problem, { tries: 30, roll: seededRandom(1) });
    expect(checkSchedule(problem, found)).toEqual([]);
    // Two and one stand together; the other two wait until the first are dry: 10 + 60, and their own 10 before that.
    expect(found.done.map(endOf).sort((a, b) => a - b)).toEqual([10, 10, 70]);
    const together = { ...found, done: found.done.map((done) => ({ ...done, spans: [[0, 10]] as const })) };
    expect(checkSchedule(problem, together).join()).toContain('place rack has 5 things');
  });
  it('more than there is room for still is done, by itself', () => {
    const problem: Problem = { tasks: [task('many', 20), task('one', 1)], workers: [worker('x'), worker('y')], places: { rack: 4 } };
    const { schedule: found } = schedule(problem, { tries: 10, roll: seededRandom(1) });
    expect(found.left).toEqual([]);
    expect(checkSchedule(problem, found)).toEqual([]);
    expect(Math.abs(endOf(found.done[0]!) - endOf(found.done[1]!))).toBeGreaterThanOrEqual(60);
  });
});

describe('whoever works', () => {
  it('is not sent from piece to piece where it gains nothing', () => {
    const task = (set: string, k: number) => ({
      id: `${set}${k}`,
      set,
      minutes: 10,
      after: k > 0 ? [{ on: `${set}${k - 1}`, least: 0, most: null }] : [],
    });
    const tasks = ['p', 'q', 'r'].flatMap((set) => [0, 1, 2, 3].map((k) => task(set, k)));
    const problem: Problem = { tasks, workers: [{ id: 'a', hours: [[0, 1e4]] }], places: {} };
    const { schedule: found } = schedule(problem, { tries: 400, roll: seededRandom(6) });
    const order = [...found.done].sort((a, b) => beginOf(a) - beginOf(b)).map(({ id }) => id[0]);
    expect(order.filter((id, k) => k > 0 && id !== order[k - 1])).toHaveLength(2);
    expect(last(found)).toBe(120);
  });
});
