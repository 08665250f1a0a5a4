import { bisector } from 'd3';
import TinyQueue from 'tinyqueue';
import { beginOf, endOf, minutesOf, type Done, type Link, type Problem, type Schedule, type Span, type Task } from './types';

/** Tasks that hang together by a time at most: glue that is sprayed and what is laid on it. They are placed as one. */
export type Block = { tasks: Task[]; needs: string[] };

/** A span that is taken, and by work on which set; in the order of time. */
type Taken = { from: number; to: number; set?: string | undefined };

/** Puts a span among those in order. */
function put(list: Taken[], [from, to]: Span, set?: string): void {
  let i = list.length;
  while (i > 0 && list[i - 1]!.from > from) i--;
  list.splice(i, 0, { from, to, set });
}

function takeOut(list: Taken[], [from, to]: Span): void {
  // What is given back was taken last: it lies near the end.
  for (let i = list.length - 1; i >= 0; i--) {
    if (list[i]!.from !== from || list[i]!.to !== to) continue;
    list.splice(i, 1);
    return;
  }
}

/** Minutes are whole: what is smaller than this is the same moment. */
const SAME = 1e-6;

/** Where in a list in order what comes after a moment begins. */
const endsAfter = bisector(({ to }: Taken) => to).right;
const beginsAfter = bisector(({ from }: Taken) => from).right;
const closesAfter = bisector(([, closes]: Span) => closes).right;

/** The first moment from which a span of work on a set is free of all that a person has taken, with the change from another set; itself where it is. */
function clearOf(list: readonly Taken[], [from, to]: Span, set: string | undefined, change: number): number {
  // Nobody does two things at once: what begins later ends later too.
  for (let i = endsAfter(list, from - change); i < list.length; i++) {
    const taken = list[i]!;
    if (taken.from >= to + change - SAME) break;
    const between = taken.set === set ? 0 : change;
    if (taken.from < to + between - SAME && taken.to + between > from + SAME) return taken.to + between;
  }
  return from;
}

/** What is taken of a kind of place: spans in the order in which they begin, none longer than the longest. */
type Place = { taken: Taken[]; longest: number };

/** The same where several may be at it at once, and more than one comes. */
function clearOfMany({ taken: list, longest }: Place, capacity: number, [from, to]: Span, units = 1): number {
  // More than there is room for stands as well as it can.
  const room = Math.max(0, capacity - units);
  const over: Taken[] = [];
  for (let i = beginsAfter(list, from - longest - 1); i < list.length; i++) {
    const taken = list[i]!;
    if (taken.from >= to - SAME) break;
    if (taken.to > from + SAME) over.push(taken);
  }
  if (over.length <= room) return from;
  for (const at of [from, ...over.map((taken) => taken.from)]) {
    if (at < from - SAME || at >= to - SAME) continue;
    const here = over.filter((taken) => taken.from <= at + SAME && taken.to > at + SAME);
    if (here.length > room) return Math.min(...here.map((taken) => taken.to));
  }
  return from;
}

/** On a large floor gaps are looked through only between the last so many things that somebody has in hand: some two weeks of work. */
const LOOKED_BACK = 150;
/** So many tasks are a large floor. */
export const LARGE = 1500;

/** What is taken of people and places while a schedule is put together. */
export class Floor {
  private readonly people = new Map<string, Taken[]>();
  private readonly places = new Map<string, Place>();
  private readonly lookedBack: number;

  constructor(private readonly problem: Problem) {
    for (const { id } of problem.workers) this.people.set(id, []);
    for (const place of Object.keys(problem.places)) this.places.set(place, { taken: [], longest: 0 });
    this.lookedBack = problem.tasks.length > LARGE ? LOOKED_BACK : Infinity;
  }

  /** Spans of a task from a moment on for one person, or the next moment to look from; null where their hours are over. */
  private tried(task: Task, who: { id: string; hours: readonly Span[] }, from: number, whole: boolean): Span[] | number | null {
    const spans: Span[] = [];
    let left = minutesOf(task, who.id);
    let at = from;
    const { hours } = who;
    for (let i = closesAfter(hours, at + SAME); i < hours.length; i++) {
      const [opens, closes] = hours[i]!;
      if (closes <= at + SAME) continue;
      const begin = Math.max(at, opens);
      if (whole && spans.length === 0 && closes - begin < left - SAME) continue;
      const end = Math.min(closes, begin + left);
      const person = clearOf(this.people.get(who.id)!, [begin, end], task.set, this.problem.change ?? 0);
      const free = Math.max(person, this.freePlace(task, begin, end));
      if (free > begin + SAME) return free;
      spans.push([begin, end]);
      left -= end - begin;
      at = end;
      if (left <= SAME) return this.rested(task, spans);
    }
    return null;
  }

  /** What has to stand somewhere afterwards finds room there, or is done so much later. */
  private rested({ rests }: Task, spans: Span[]): Span[] | number {
    const capacity = rests && this.problem.places[rests.place];
    if (!rests || capacity === undefined) return spans;
    const end = spans.at(-1)![1];
    const free = clearOfMany(this.places.get(rests.place)!, capacity, [end, end + rests.minutes], rests.units);
    return free > end + SAME ? spans[0]![0] + (free - end) : spans;
  }

  private freePlace({ place }: Task, from: number, to: number): number {
    const capacity = place === undefined ? undefined : this.problem.places[place];
    return capacity === undefined ? from : clearOfMany(this.places.get(place!)!, capacity, [from, to]);
  }

  /**
   * The earliest that a task can be done: who, and when.
   *
   * @param task what is placed
   * @param from not before
   * @param whole in one go
   * @param latest not begun after this
   */
  earliest(task: Task, from: number, whole: boolean, latest = Infinity): Done | null {
    let best: Done | null = null;
    for (const worker of this.problem.workers) {
      if (task.who && !task.who.includes(worker.id)) continue;
      // Counted, not timed: one thing that is pinned to a far day must not draw the rest after it.
      const taken = this.people.get(worker.id)!;
      let at = Math.max(from, taken[taken.length - this.lookedBack]?.to ?? 0);
      for (;;) {
        const found = this.tried(task, worker, at, whole);
        if (found === null) break;
        if (typeof found === 'number') {
          at = found;
          continue;
        }
        const done: Done = { id: task.id, who: worker.id, spans: found };
        if (beginOf(done) <= latest + SAME && (best === null || endOf(done) < endOf(best) - SAME)) best = done;
        break;
      }
    }
    return best;
  }

  take(task: Task, { who, spans }: Done): void {
    for (const span of spans) {
      put(this.people.get(who)!, span, task.set);
      this.occupy(task.place, span);
    }
    this.stands(task, spans, (place, span) => this.occupy(place, span));
  }

  private occupy(name: string | undefined, span: Span): void {
    const place = name === undefined ? undefined : this.places.get(name);
    if (!place) return;
    put(place.taken, span);
    place.longest = Math.max(place.longest, span[1] - span[0]);
  }

  private clear(name: string | undefined, span: Span): void {
    const place = name === undefined ? undefined : this.places.get(name);
    if (place) takeOut(place.taken, span);
  }

  private stands({ rests }: Task, spans: readonly Span[], what: (place: string, span: Span) => void): void {
    const end = spans.at(-1)![1];
    if (rests) for (let k = 0; k < rests.units; k++) what(rests.place, [end, end + rests.minutes]);
  }

  giveBack(task: Task, { who, spans }: Done): void {
    for (const span of spans) {
      takeOut(this.people.get(who)!, span);
      this.clear(task.place, span);
    }
    this.stands(task, spans, (place, span) => this.clear(place, span));
  }
}

/** Tasks as blocks, each with what must be done before any of it. */
export function blocksOf({ tasks }: Pick<Problem, 'tasks'>): Block[] {
  const of = new Map<string, Block>();
  const byId = new Map(tasks.map((task) => [task.id, task]));
  for (const task of tasks) {
    const hung = task.after.filter(({ most }) => most !== null).map(({ on }) => of.get(on));
    const found = hung.find((block) => block !== undefined) ?? { tasks: [], needs: [] };
    // Glued from two sides: what was two blocks is one.
    for (const other of new Set(hung))
      if (other && other !== found) {
        found.tasks.push(...other.tasks);
        for (const member of other.tasks) of.set(member.id, found);
      }
    found.tasks.push(task);
    of.set(task.id, found);
  }
  const blocks = [...new Set(of.values())];
  for (const block of blocks) {
    const inside = new Set(block.tasks.map(({ id }) => id));
    block.needs = [...new Set(block.tasks.flatMap(({ after }) => after.map(({ on }) => on)))].filter(
      (id) => !inside.has(id) && byId.has(id),
    );
  }
  return blocks;
}

/** How often a block is begun later because what dries would not be met in time. */
const TRIES = 400;

/** Not before this by what is done already, and not after it by what dries. */
function window(task: Task, done: ReadonlyMap<string, Done>): [number, number] {
  let [from, latest] = [task.from ?? 0, Infinity];
  for (const { on, least, most } of task.after as readonly Link[]) {
    const before = done.get(on);
    if (!before) continue;
    from = Math.max(from, endOf(before) + least);
    if (most !== null) latest = Math.min(latest, endOf(before) + most);
  }
  return [from, latest];
}

/** Places a block as early as it fits: its first task, and the others within their times; null where nobody has hours left. */
function placeBlock(floor: Floor, { tasks }: Block, done: Map<string, Done>, lag: number): boolean {
  const whole = tasks.length > 1;
  let begin = window(tasks[0]!, done)[0];
  for (let k = 0; k < TRIES; k++) {
    const put: Done[] = [];
    let later: number | null = null;
    for (const [i, task] of tasks.entries()) {
      const [from, latest] = window(task, done);
      // Between spraying and laying something else may be wanted first: laid so far into its time, or as soon as it can be.
      const wanted =
        i === 0 ? Math.max(from, begin) : Number.isFinite(latest) ? Math.min(latest, Math.round(from + lag * (latest - from))) : from;
      const earliest =
        floor.earliest(task, wanted, whole, latest) ?? (wanted > from && i > 0 ? floor.earliest(task, from, whole, latest) : null);
      if (earliest === null) {
        // Begun later by as much as it comes too late, or not at all where nobody is there any more.
        const anyhow = floor.earliest(task, from, whole);
        later = i === 0 || anyhow === null ? Infinity : Math.max(begin + 1, begin + (beginOf(anyhow) - latest));
        break;
      }
      floor.take(task, earliest);
      done.set(task.id, earliest);
      put.push(earliest);
    }
    if (later === null) return true;
    put.forEach((item, i) => {
      floor.giveBack(tasks[i]!, item);
      done.delete(item.id);
    });
    if (later === Infinity) return false;
    begin = later;
  }
  return false;
}

/**
 * Places tasks in an order, each as early as its people, places, times and what comes before it allow (serial schedule generation).
 *
 * @param problem all of it
 * @param blocks as `blocksOf` gives them
 * @param priority of each block: of those that can be placed, the one with the least comes next
 * @param [lags] of each block: how far into its time what dries is gone on with, 0 to 1; as soon as it can be where nothing is said
 */
export function placeAll(problem: Problem, blocks: readonly Block[], priority: readonly number[], lags: readonly number[] = []): Schedule {
  const floor = new Floor(problem);
  const done = new Map<string, Done>();
  const left: string[] = [];
  const never = new Set<string>();
  // How many blocks each still waits for, and which wait for it.
  const blockOf = new Map(blocks.flatMap(({ tasks }, i) => tasks.map(({ id }) => [id, i] as const)));
  const waiting = blocks.map(() => 0);
  const followers = blocks.map((): number[] => []);
  blocks.forEach(({ needs }, i) => {
    for (const before of new Set(needs.map((id) => blockOf.get(id)!))) {
      waiting[i]! += 1;
      followers[before]!.push(i);
    }
  });
  const first = (a: number, b: number): number => priority[a]! - priority[b]! || a - b;
  const ready = new TinyQueue(
    [...blocks.keys()].filter((i) => waiting[i] === 0),
    first,
  );
  let placed = 0;
  for (let next = ready.pop(); next !== undefined; next = ready.pop()) {
    placed += 1;
    const block = blocks[next]!;
    const stuck = block.needs.some((id) => never.has(id));
    if (stuck || !placeBlock(floor, block, done, lags[next] ?? 0))
      for (const { id } of block.tasks) {
        never.add(id);
        left.push(id);
      }
    for (const follower of followers[next]!) if (--waiting[follower]! === 0) ready.push(follower);
  }
  // What waits for itself is never done.
  if (placed < blocks.length) blocks.forEach(({ tasks }, i) => waiting[i]! > 0 && left.push(...tasks.map(({ id }) => id)));
  return { done: [...done.values()], left };
}
