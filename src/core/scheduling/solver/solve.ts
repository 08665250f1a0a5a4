import { tails } from './bound';
import { blocksOf, placeAll, type Block } from './place';
import { beginOf, endOf, type Problem, type Schedule } from './types';

/** What a schedule is judged by: first that all of it is done, then how late jobs are, then how long it takes, how often somebody changes from one piece to
 * another, then how soon each ends. */
const WEIGHT = { left: 1e7, late: 20, end: 1, each: 0.002, change: 20 };

/**
 * How good a schedule is; less is better.
 *
 * @param problem what was to be done
 * @param schedule what was found
 */
export function costOf({ tasks }: Pick<Problem, 'tasks'>, { done, left }: Schedule): number {
  const ends = new Map(done.map((item) => [item.id, endOf(item)]));
  let [late, last, each] = [0, 0, 0];
  for (const { id, due } of tasks) {
    const end = ends.get(id) ?? 0;
    if (due !== undefined) late += Math.max(0, end - due);
    last = Math.max(last, end);
    each += end;
  }
  const sets = new Map(tasks.map(({ id, set }) => [id, set]));
  const hand = new Map<string, string | undefined>();
  let changes = 0;
  for (const { id, who } of [...done].sort((a, b) => beginOf(a) - beginOf(b))) {
    const set = sets.get(id);
    if (hand.has(who) && hand.get(who) !== set) changes += 1;
    hand.set(who, set);
  }
  return WEIGHT.change * changes + WEIGHT.left * left.length + WEIGHT.late * late + WEIGHT.end * last + WEIGHT.each * each;
}

/** So many placings of a task are worth a search: some seconds for a full floor, many orders of a small one. */
const PLACINGS = 120_000;
const TRIES = [400, 10_000] as const;

/** How many schedules are usually tried for a problem. */
export const usualTries = ({ tasks }: Pick<Problem, 'tasks'>): number =>
  Math.round(Math.min(TRIES[1], Math.max(TRIES[0], PLACINGS / Math.max(1, tasks.length))));

/** What is known while it is looked for. */
export type Found = { schedule: Schedule; cost: number; tried: number };

/** How it is looked for. */
export type SolveOptions = {
  /** so many schedules are tried */
  tries: number;
  /** even figures in [0, 1) */
  roll: () => number;
  /** asked between tries; true ends the search with the best so far */
  stop?: () => boolean;
  /** told of every better one */
  better?: (found: Found) => void;
};

/** Rules by which the next block is chosen, the usual ones of a job shop. */
function rules(problem: Problem, blocks: readonly Block[]): number[][] {
  const tail = tails(problem);
  const longest = blocks.map(({ tasks }) => Math.max(...tasks.map(({ id }) => tail.get(id)!)));
  // What is due of all that hangs on a block: the soonest.
  const due = new Map<string, number>();
  for (const task of [...problem.tasks].reverse()) {
    const min = Math.min(task.due ?? Infinity, due.get(task.id) ?? Infinity);
    due.set(task.id, min);
    for (const { on } of task.after) due.set(on, Math.min(due.get(on) ?? Infinity, min));
  }
  const dues = blocks.map(({ tasks }) => Math.min(...tasks.map(({ id }) => due.get(id)!)));
  const end = Math.max(0, ...longest, ...dues.filter(Number.isFinite));
  const known = dues.map((value) => (Number.isFinite(value) ? value : end));
  return [longest.map((value) => -value), known.map((value, i) => value - longest[i]!), known, blocks.map((_, i) => i), longest];
}

/** Of the search so much goes by before what is worse is no longer taken. */
const WARM = 0.6;
/** How much worse is taken at the beginning, as a share. */
const HEAT = 0.03;

/** An order of blocks, and how far into its time each of them is gone on with. */
type Order = { priority: readonly number[]; lags: readonly number[] };

/** How often a block's lag is changed instead of its place. */
const LAGGED = 0.25;

/** The same order with a few blocks elsewhere, or gone on with sooner or later. */
function mutated({ priority, lags }: Order, glued: readonly number[], roll: () => number): Order {
  if (glued.length > 0 && roll() < LAGGED) {
    const which = glued[Math.floor(roll() * glued.length)]!;
    return { priority, lags: lags.map((lag, i) => (i === which ? (lag > 0 && roll() < 0.5 ? 0 : roll()) : lag)) };
  }
  const next = [...priority];
  const pick = (): number => Math.floor(roll() * next.length);
  const several = 1 + Math.floor(roll() * 3);
  for (let k = 0; k < several; k++) {
    const [a, b] = [pick(), pick()];
    if (roll() < 0.5) [next[a], next[b]] = [next[b]!, next[a]!];
    // Right before another one.
    else next[a] = next[b]! - 1e-3 * (1 + roll());
  }
  return { priority: next, lags };
}

/**
 * Looks for a good schedule: the usual rules first, then orders changed here and there, what is a little worse taken at the beginning.
 *
 * @param problem tasks, people and places
 * @param options how long, and who is told
 */
export function schedule(problem: Problem, { tries, roll, stop = () => false, better }: SolveOptions): Found {
  const blocks = blocksOf(problem);
  const glued = blocks.flatMap(({ tasks }, i) => (tasks.length > 1 ? [i] : []));
  const soon = blocks.map(() => 0);
  let best: Found & { order: Order } = {
    schedule: { done: [], left: problem.tasks.map(({ id }) => id) },
    cost: Infinity,
    tried: 0,
    order: { priority: soon, lags: soon },
  };
  let now = best;
  const trial = (order: Order, tried: number): typeof best => {
    const found = placeAll(problem, blocks, order.priority, order.lags);
    return { schedule: found, cost: costOf(problem, found), tried, order };
  };
  const keep = (item: typeof best): void => {
    if (item.cost >= best.cost - 1e-9) return;
    best = item;
    better?.(item);
  };
  let tried = 0;
  for (const priority of rules(problem, blocks)) {
    if (tried > 0 && (stop() || tried >= tries)) break;
    tried += 1;
    const item = trial({ priority, lags: soon }, tried);
    keep(item);
    if (item.cost < now.cost) now = item;
  }
  while (tried < tries && !stop() && blocks.length > 1) {
    tried += 1;
    const item = trial(mutated(now.order, glued, roll), tried);
    keep(item);
    const warm = Math.max(0, 1 - tried / (tries * WARM));
    if (item.cost <= now.cost || item.cost - now.cost < HEAT * warm * now.cost * roll()) now = item;
    // Cold again, it goes on from the best there is.
    else if (warm === 0 && roll() < 0.02) now = best;
  }
  return { schedule: best.schedule, cost: best.cost, tried };
}
