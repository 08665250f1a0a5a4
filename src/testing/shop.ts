import type { Link, Problem, Task, Worker } from '@/core/scheduling/solver';

/** How a random workshop is made. */
export type RandomShop = { tasks: number; workers: number; breaks?: boolean; glued?: boolean };

/**
 * A workshop with random tasks: sets of steps as upholstery has them, each with what it needs, some glued, on benches, one machine and
 * one spray place.
 *
 * @param roll even figures in [0, 1)
 * @param options how many
 */
export function randomShop(roll: () => number, { tasks: count, workers: people, breaks = false, glued = true }: RandomShop): Problem {
  const whole = (from: number, to: number): number => from + Math.floor(roll() * (to - from + 1));
  const day = 1440;
  const hours: Worker['hours'] = breaks
    ? Array.from({ length: 60 }, (_, d) => [[d * day + 480, d * day + 720] as const, [d * day + 780, d * day + 1020] as const]).flat()
    : [[0, 1e6]];
  const workers = Array.from({ length: people }, (_, k) => ({ id: `w${k}`, hours }));
  const places = { bench: Math.max(2, people), machine: 1, spray: 1, rack: 3 };
  const tasks: Task[] = [];
  while (tasks.length < count) {
    // One piece: some steps one after another, some of them side by side.
    const entries: Task[] = [];
    const size = Math.min(count - tasks.length, whole(3, 9));
    for (let k = 0; k < size; k++) {
      const id = `t${tasks.length + k}`;
      const before = entries.at(-1);
      const after: Link[] = [];
      if (before && roll() < 0.75) after.push({ on: before.id, least: roll() < 0.2 ? whole(5, 40) : 0, most: null });
      else if (entries.length > 1) after.push({ on: entries[whole(0, entries.length - 1)]!.id, least: 0, most: null });
      if (glued && before?.place === 'spray' && after[0]?.on === before.id) {
        const least = whole(3, 8);
        entries.push({ id, minutes: whole(4, 20), place: 'bench', after: [{ on: before.id, least, most: least + whole(5, 25) }] });
      } else entries.push({ id, minutes: whole(4, 60), place: ['bench', 'bench', 'bench', 'machine', 'spray'][whole(0, 4)]!, after });
    }
    // Every fifth stands on a rack afterwards, one or two of it.
    entries.forEach((task, k) => {
      if (k % 5 === 2) entries[k] = { ...task, rests: { place: 'rack', minutes: 25, units: 1 + (k % 2) } };
    });
    const due = whole(200, 4000);
    const set = `set ${tasks.length}`;
    tasks.push(...entries.map((task, k) => ({ ...task, set, ...(k === entries.length - 1 && roll() < 0.5 ? { due } : {}) })));
  }
  return { tasks, workers, places };
}

/** The same tasks with nothing due: what is left to be judged is how long it takes. */
export const undue = ({ tasks }: Problem): Task[] =>
  tasks.map(({ id, minutes, after, place }) => ({ id, minutes, after, ...(place === undefined ? {} : { place }) }));
