import type { Problem, Task } from './types';

/** How long it takes from each task's beginning to the end of what hangs on it, were nobody ever short: minutes. */
export function tails({ tasks }: Pick<Problem, 'tasks'>): Map<string, number> {
  const next = new Map<string, { task: Task; least: number }[]>();
  for (const task of tasks) for (const { on, least } of task.after) next.set(on, [...(next.get(on) ?? []), { task, least }]);
  const found = new Map<string, number>();
  const tail = (task: Task): number => {
    const known = found.get(task.id);
    if (known !== undefined) return known;
    // What waits for itself has no end; it is told as not done.
    found.set(task.id, task.minutes);
    const rest = (next.get(task.id) ?? []).map((item) => item.least + tail(item.task));
    const all = task.minutes + Math.max(0, ...rest);
    found.set(task.id, all);
    return all;
  };
  tasks.forEach(tail);
  return found;
}

/**
 * No schedule is shorter than this: the longest chain of tasks with its waits, and the busiest people and places (docs/models.md,
 * "Schedule"). Hours of the day are left out: it holds for work without breaks.
 *
 * @param problem all of it
 * @returns minutes
 */
export function lowerBound(problem: Problem): number {
  const { tasks, workers, places } = problem;
  const chain = Math.max(0, ...tails(problem).values());
  const sum = (entries: readonly Task[]): number => entries.reduce((total, { minutes }) => total + minutes, 0);
  const busiest = Object.entries(places).map(([place, count]) => sum(tasks.filter((task) => task.place === place)) / count);
  return Math.max(chain, sum(tasks) / Math.max(1, workers.length), ...busiest);
}
