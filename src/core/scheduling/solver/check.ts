import type { Problem, Schedule } from './types';

/** Two moments this near are one. */
const SAME = 1e-6;

/** Where somebody goes from one set to another in less than the change takes. */
function rushedChanges(
  { tasks, workers, change }: Pick<Problem, 'tasks' | 'workers'> & { change: number },
  done: Schedule['done'],
): string[] {
  const setOf = new Map(tasks.map(({ id, set }) => [id, set]));
  return workers.flatMap(({ id: who }) => {
    const spans = done
      .filter((item) => item.who === who)
      .flatMap(({ id, spans: all }) => all.map(([from, to]) => ({ id, from, to })))
      .sort((a, b) => a.from - b.from);
    return spans.slice(1).flatMap(({ id, from }, k) => {
      const before = spans[k]!;
      const lacks = setOf.get(before.id) === setOf.get(id) ? 0 : change - (from - before.to);
      return lacks > SAME ? [`${who} changes from ${before.id} to ${id} in ${from - before.to}`] : [];
    });
  });
}

/**
 * Looks at a schedule from what was asked for alone: it knows nothing of how it was found. Everything that is wrong is told.
 *
 * @param problem tasks, people and places
 * @param schedule what is to be looked at
 * @returns what is wrong, in words; nothing where it holds
 */
export function checkSchedule({ tasks, workers, places, change = 0 }: Problem, { done, left }: Schedule): string[] {
  const wrong: string[] = [];
  const byId = new Map(done.map((item) => [item.id, item]));
  if (byId.size !== done.length) wrong.push('a task is done twice');
  for (const { id } of tasks)
    if (byId.has(id) === left.includes(id)) wrong.push(`${id} is ${byId.has(id) ? 'done and left' : 'forgotten'}`);
  const known = new Map(tasks.map((task) => [task.id, task]));
  const events: { at: number; by: number; what: string }[] = [];
  for (const { id, who, spans } of done) {
    const task = known.get(id);
    const worker = workers.find((candidate) => candidate.id === who);
    if (!task || !worker) {
      wrong.push(`${id} by ${who} was not asked for`);
      continue;
    }
    if (task.who && !task.who.includes(who)) wrong.push(`${id} is not for ${who}`);
    const total = spans.reduce((sum, [from, to]) => sum + to - from, 0);
    const wanted = task.by?.[who] ?? task.minutes;
    if (Math.abs(total - wanted) > SAME) wrong.push(`${id} takes ${total} instead of ${wanted}`);
    for (const [from, to] of spans) {
      if (!worker.hours.some(([opens, closes]) => from >= opens - SAME && to <= closes + SAME))
        wrong.push(`${id}: ${who} is not there at ${from}`);
      events.push({ at: from, by: 1, what: `person ${who}` }, { at: to, by: -1, what: `person ${who}` });
      if (task.place !== undefined && places[task.place] !== undefined)
        events.push({ at: from, by: 1, what: `place ${task.place}` }, { at: to, by: -1, what: `place ${task.place}` });
    }
    // What stands to dry takes room there; more than there is room for fills it.
    const room = task.rests && places[task.rests.place];
    if (task.rests && room !== undefined) {
      const [at, what] = [spans.at(-1)![1], `place ${task.rests.place}`];
      const units = Math.min(room, task.rests.units);
      events.push({ at, by: units, what }, { at: at + task.rests.minutes, by: -units, what });
    }
    // Laid down for the night only: between two spans nobody of that name was there.
    spans.slice(1).forEach(([from], k) => {
      const [gone, back] = [spans[k]![1], from];
      if (worker.hours.some(([opens, closes]) => Math.min(closes, back) - Math.max(opens, gone) > SAME))
        wrong.push(`${id} is laid down while ${who} is there`);
    });
    if (task.from !== undefined && spans[0]![0] < task.from - SAME) wrong.push(`${id} begins before ${task.from}`);
    for (const { on, least, most } of task.after) {
      const before = byId.get(on);
      if (!before) {
        if (known.has(on)) wrong.push(`${id} is done, and ${on} is not`);
        continue;
      }
      const gap = spans[0]![0] - before.spans.at(-1)![1];
      if (gap < least - SAME) wrong.push(`${id} comes ${least - gap} too soon after ${on}`);
      if (most !== null && gap > most + SAME) wrong.push(`${id} comes ${gap - most} too late after ${on}`);
    }
  }
  wrong.push(...rushedChanges({ tasks, workers, change }, done));
  // What ends makes room for what begins at the same moment.
  events.sort((a, b) => a.at - b.at || a.by - b.by);
  const at = new Map<string, number>();
  for (const { by, what, at: moment } of events) {
    const now = (at.get(what) ?? 0) + by;
    at.set(what, now);
    const room = what.startsWith('person ') ? 1 : places[what.slice('place '.length)]!;
    if (now > room) wrong.push(`${what} has ${now} things in hand at ${moment}`);
  }
  return wrong;
}
