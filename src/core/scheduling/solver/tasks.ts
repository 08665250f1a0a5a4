import type { Step, Strand } from '../../step/step';
import type { Link, Task } from './types';

/** What of a step it is scheduled by. */
type Timed = Pick<Step, 'key' | 'minutes' | 'wait' | 'open' | 'place' | 'strand' | 'after' | 'batch'>;

/** A set of pieces that is worked on, as it is scheduled. */
export type SetToDo = {
  /** of the piece */
  id: string;
  steps: readonly Timed[];
  /** how many there are */
  count: number;
  /** minutes from the schedule's beginning by when all of it is due */
  due?: number;
  /** what waits for a delivery: the step, and from when */
  waits?: Readonly<Record<string, number>>;
  /** on which pieces of the set a step is done already, by its key */
  done?: Readonly<Record<string, readonly number[]>>;
  /** minutes that a step takes by experience, as a share of what the run sheet says; 1 where nobody knows */
  pace?: (key: string) => number;
  /** the same for those who are quicker or slower at it, by their id */
  paceBy?: (key: string) => Readonly<Record<string, number>>;
  /** what somebody has laid on a day, or on a person: by the task’s id */
  pins?: Readonly<Record<string, { from: number; who: string | null }>>;
  /** who can do a step; anybody where nothing is said */
  who?: (step: Timed) => readonly string[] | undefined;
};

/** Sets of more than this have a first one that goes right through before the rest are cut. */
export const FIRST_ONE_FROM = 3;

/** The id of a task: the piece, which part of its set, the step, and which part of a batch. */
export const taskId = (piece: string, part: 'all' | 'first' | 'rest', step: string, batch?: number): string =>
  `${piece}/${part}/${step}${batch === undefined ? '' : `#${batch + 1}`}`;

/** What a task's id says. */
export function readTaskId(id: string): { piece: string; part: string; step: string; batch: number | null } {
  const [piece = '', part = '', rest = ''] = id.split('/');
  const [step = '', batch] = rest.split('#');
  return { piece, part, step, batch: batch === undefined ? null : Number(batch) - 1 };
}

/**
 * So many pieces can be sprayed one after another and then laid one after another, each laid when its glue is tacky and before it is
 * dry; and the least and the most that may lie between the end of the spraying and the beginning of the laying.
 * The k-th is sprayed at the end of (k + 1)·s and laid at T + k·g.
 *
 * @param spray minutes of one
 * @param lay minutes of one
 * @param tack minutes until it can be laid
 * @param open minutes until it has to be
 * @param count pieces there are
 */
export function glueBatch(
  spray: number,
  lay: number,
  tack: number,
  open: number,
  count: number,
): { size: number; least: number; most: number } {
  const of = (size: number): { least: number; most: number } => ({
    least: Math.max(0, tack - (size - 1) * Math.min(spray, lay)),
    most: open - (size - 1) * Math.max(spray, lay),
  });
  let size = 1;
  while (size < count && of(size + 1).most >= of(size + 1).least) size++;
  return { size, ...of(size) };
}

type Part = {
  part: 'all' | 'first' | 'rest';
  count: number;
  /** what of the sheet is done in it */
  strands: readonly Strand[];
  /** what has to be through before its cloth is cut */
  before: readonly string[];
  /** tasks that steps outside of it became */
  known: ReadonlyMap<string, string[]>;
};

/** Done on all of a set at once, whatever the first one will show: the cover is what is proved on it. */
const TOGETHER: readonly Strand[] = ['strip', 'base', 'pads'];
const PROVED: readonly Strand[] = ['cloth', 'loose', 'piece'];

/** Links to every task that a step became; what is waited for is waited for after the last of a batch. */
function linksTo(ids: readonly string[], step: Timed, count: number): Link[] {
  // While the others of a batch are in hand the first is dry already.
  const least = Math.max(0, step.wait - (ids.length > 1 ? 0 : step.minutes * (count - 1)));
  return ids.map((on) => ({ on, least, most: null }));
}

/** What lies between spraying and laying a batch of a size that was found to go. */
function between(windowed: (size: number) => ReturnType<typeof glueBatch>, size: number): { least: number; most: number } {
  const { least, most } = windowed(size);
  return { least, most: Math.max(least, most) };
}

/** What a step takes those of whom it is known, glued ones left out: there everybody is as quick as the glue. */
function byPerson({ paceBy }: SetToDo, step: Timed, pieces: number): Pick<Task, 'by'> {
  const entries = step.open === undefined ? Object.entries(paceBy?.(step.key) ?? {}) : [];
  if (entries.length === 0) return {};
  return { by: Object.fromEntries(entries.map(([who, share]) => [who, Math.max(1, Math.round(step.minutes * pieces * share))])) };
}

/** The tasks of one part of a set. */
function tasksOfPart(
  set: SetToDo,
  { part, count, strands, before, known }: Part,
): { tasks: Task[]; last: string[]; ids: ReadonlyMap<string, string[]> } {
  const byKey = new Map(set.steps.map((step) => [step.key, step]));
  const ids = new Map<string, string[]>(known);
  const batches = new Map<string, { spray: string; glue: string; parts: { on: string; size: number; least: number; most: number }[] }>();
  const tasks: Task[] = [];
  const pace = (key: string): number => set.pace?.(key) ?? 1;
  const local = (step: Timed, id: string, pieces: number, after: Link[]): void => {
    const pin = set.pins?.[id];
    const from = Math.max(set.waits?.[step.key] ?? 0, pin?.from ?? 0);
    const who = pin?.who ? [pin.who] : set.who?.(step);
    tasks.push({
      id,
      minutes: Math.max(1, Math.round(step.minutes * pieces * pace(step.key))),
      ...byPerson(set, step, pieces),
      after,
      place: step.place ?? 'bench',
      set: set.id,
      ...(step.wait > 0 && step.open === undefined ? { rests: { place: 'rack', minutes: step.wait, units: pieces } } : {}),
      ...(who ? { who } : {}),
      ...(from > 0 ? { from } : {}),
    });
  };
  for (const step of set.steps.filter(({ strand }) => strands.includes(strand))) {
    if (part === 'rest' && step.batch === 'first only') {
      // It was proved on the first: what follows follows what came before it.
      ids.set(
        step.key,
        step.after.flatMap((key) => ids.get(key) ?? []),
      );
      continue;
    }
    const doneOn = set.done?.[step.key]?.length ?? 0;
    const left = Math.max(0, count - (part === 'rest' ? Math.max(0, doneOn - 1) : doneOn));
    const links = step.after.flatMap((key) => linksTo(ids.get(key) ?? [], byKey.get(key)!, count));
    if (part === 'rest' && step.batch === 'rest waits') links.push(...before.map((on) => ({ on, least: 0, most: null })));
    if (left === 0) {
      ids.set(
        step.key,
        links.map(({ on }) => on),
      );
      continue;
    }
    const glued = step.open === undefined ? undefined : set.steps.find(({ after }) => after.includes(step.key));
    const opened = [...batches.values()].find(({ glue }) => glue === step.key);
    if (step.open !== undefined && glued) {
      const minutes = [step.minutes * pace(step.key), glued.minutes * pace(glued.key)] as const;
      const windowed = (size: number) => glueBatch(...minutes, step.wait, step.open!, size);
      const { size } = windowed(left);
      const all = Array.from({ length: Math.ceil(left / size) }, (_, k) => taskId(set.id, part, step.key, k));
      all.forEach((id, k) => local(step, id, Math.min(size, left - k * size), links));
      batches.set(step.key, {
        glue: glued.key,
        spray: step.key,
        parts: all.map((on, k) => ({ on, size: Math.min(size, left - k * size), ...between(windowed, Math.min(size, left - k * size)) })),
      });
      ids.set(step.key, all);
    } else if (opened) {
      const others = step.after.filter((key) => key !== opened.spray).flatMap((key) => linksTo(ids.get(key) ?? [], byKey.get(key)!, count));
      const all = opened.parts.map(({ on, size, least, most }, k) => {
        const id = taskId(set.id, part, step.key, k);
        local(step, id, size, [{ on, least, most }, ...others]);
        return id;
      });
      // Of what was sprayed before and never laid nobody knows the hour: it is told again, without its time.
      const more = left - opened.parts.reduce((sum, { size }) => sum + size, 0);
      if (more > 0) {
        const id = taskId(set.id, part, step.key, all.length);
        local(step, id, more, others);
        all.push(id);
      }
      ids.set(step.key, all);
    } else {
      const id = taskId(set.id, part, step.key);
      local(step, id, left, links);
      ids.set(step.key, [id]);
    }
  }
  return { tasks, ids, last: ids.get(set.steps.at(-1)!.key) ?? [] };
}

/**
 * The tasks of a set: like steps in batches, of a larger set one goes right through first; what is sprayed is laid in batches that are
 * tacky and not yet dry.
 *
 * @param set the piece, its run sheet and what is known of it
 */
export function tasksOf(set: SetToDo): Task[] {
  if (set.steps.length === 0) return [];
  const whole = { part: 'all', count: set.count, before: [], known: new Map() } as const;
  const proved = set.count >= FIRST_ONE_FROM && set.steps.some(({ batch }) => batch === 'first only');
  const all = tasksOfPart(set, { ...whole, strands: proved ? TOGETHER : [...TOGETHER, ...PROVED] });
  const tasks = [...all.tasks];
  let before = all.last;
  if (proved) {
    const part = { strands: PROVED, known: all.ids };
    const first = tasksOfPart(set, { ...part, part: 'first', count: 1, before: [] });
    const rest = tasksOfPart(set, { ...part, part: 'rest', count: set.count - 1, before: first.last });
    tasks.push(...first.tasks, ...rest.tasks);
    before = rest.last.length > 0 ? rest.last : first.last;
  }
  const last = new Set(before);
  return tasks.map((task) => (set.due !== undefined && last.has(task.id) ? { ...task, due: set.due } : task));
}
