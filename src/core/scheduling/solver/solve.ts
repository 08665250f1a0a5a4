import { tails } from './bound';
import { blocksOf, LARGE, placeAll, type Block } from './place';
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
/** Of a large floor: some ten seconds. */
const TRIES_LARGE = 60;

/** How many schedules are usually tried for a problem. */
export const usualTries = ({ tasks }: Pick<Problem, 'tasks'>): number =>
  tasks.length > LARGE ? TRIES_LARGE : Math.round(Math.min(TRIES[1], Math.max(TRIES[0], PLACINGS / Math.max(1, tasks.length))));

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
  /** an earlier schedule of much the same: its order is tried first */
  known?: Schedule | undefined;
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
  const bySlack = known.map((value, i) => value - longest[i]!);
  // On a large floor the longest first would begin every piece and end none.
  if (problem.tasks.length > LARGE) return [known, blocks.map((_, i) => i), bySlack];
  return [longest.map((value) => -value), bySlack, known, blocks.map((_, i) => i), longest];
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

/** One order that was tried, and what came of it. */
type Trial = Found & { order: Order };

/** What a search begins with, and where it has got to. */
type Search = {
  problem: Problem;
  blocks: readonly Block[];
  best: Trial;
  /** puts an order to the test; the best is remembered and told */
  trial: (order: Order, tried: number) => Trial;
};

function searchOf(problem: Problem, better: SolveOptions['better']): Search {
  const blocks = blocksOf(problem);
  const soon = blocks.map(() => 0);
  const search: Search = {
    problem,
    blocks,
    best: {
      schedule: { done: [], left: problem.tasks.map(({ id }) => id) },
      cost: Infinity,
      tried: 0,
      order: { priority: soon, lags: soon },
    },
    trial: (order, tried) => {
      const found = placeAll(problem, blocks, order.priority, order.lags);
      const trial: Trial = { schedule: found, cost: costOf(problem, found), tried, order };
      if (trial.cost < search.best.cost - 1e-9) {
        search.best = trial;
        better?.(trial);
      }
      return trial;
    },
  };
  return search;
}

/** Tries the usual rules, and the order of an earlier schedule; returns how many that were. */
function tryRules(search: Search, { tries, stop = () => false, known }: Omit<SolveOptions, 'roll'>): number {
  const { problem, blocks, trial } = search;
  const lags = blocks.map(() => 0);
  const orders = [...(known ? [orderIn(known, blocks)] : []), ...rules(problem, blocks)];
  let tried = 0;
  for (const priority of orders) {
    if (tried > 0 && (stop() || tried >= tries)) break;
    tried += 1;
    trial({ priority, lags }, tried);
  }
  return tried;
}

/** Blocks in the order in which a schedule begins them; what it does not have comes last. */
function orderIn({ done }: Schedule, blocks: readonly Block[]): number[] {
  const begins = new Map(done.map((item) => [item.id, beginOf(item)]));
  return blocks.map(({ tasks }, i) => Math.min(...tasks.map(({ id }) => begins.get(id) ?? Infinity), 1e9 + i));
}

/** Orders changed here and there, what is a little worse taken at the beginning. */
function improve(search: Search, begun: number, { tries, roll, stop = () => false }: SolveOptions): number {
  const { blocks } = search;
  const glued = blocks.flatMap(({ tasks }, i) => (tasks.length > 1 ? [i] : []));
  let now = search.best;
  let tried = begun;
  while (tried < tries && !stop() && blocks.length > 1) {
    tried += 1;
    const item = search.trial(mutated(now.order, glued, roll), tried);
    const warm = Math.max(0, 1 - tried / (tries * WARM));
    if (item.cost <= now.cost || item.cost - now.cost < HEAT * warm * now.cost * roll()) now = item;
    // Cold again, it goes on from the best there is.
    else if (warm === 0 && roll() < 0.02) now = search.best;
  }
  return tried;
}

/** So far ahead a large floor is looked through order by order, minutes: four weeks. What comes later is placed by rule. */
const NEAR = 28 * 1440;
/** A large floor is put together anew so many times while its next weeks are improved. */
const SLICES = 4;

/** The sets of which something is begun within the next weeks. */
function nearTasks({ tasks }: Problem, { done }: Schedule): Problem['tasks'] {
  const begins = new Map(done.map((item) => [item.id, beginOf(item)]));
  const near = new Set(tasks.filter(({ id }) => (begins.get(id) ?? Infinity) < NEAR).map(({ id, set }) => set ?? id));
  return tasks.filter(({ id, set }) => near.has(set ?? id));
}

/** The next weeks of a large floor are improved by themselves; the rest follows in the order of the rule that was best. */
function improveNear(search: Search, begun: number, options: SolveOptions): number {
  const { problem, blocks } = search;
  const later = orderIn(search.best.schedule, blocks);
  const part = searchOf({ ...problem, tasks: nearTasks(problem, search.best.schedule) }, undefined);
  let tried = begun + tryRules(part, { ...options, known: search.best.schedule });
  const slice = Math.ceil((options.tries - tried) / SLICES);
  for (let k = 0; k < SLICES && tried < options.tries && !(options.stop?.() ?? false); k++) {
    tried = improve(part, tried, { ...options, tries: Math.min(options.tries, tried + slice) });
    const first = orderIn(part.best.schedule, blocks);
    search.trial({ priority: first.map((at, i) => (at < 1e9 ? at : 1e9 + later[i]!)), lags: blocks.map(() => 0) }, tried);
  }
  return tried;
}

/**
 * Looks for a good schedule: the usual rules first, then orders changed here and there. Of a large floor only the next four weeks
 * are looked through like that; the rest follows by rule.
 *
 * @param problem tasks, people and places
 * @param options how long, and who is told
 */
export function schedule(problem: Problem, options: SolveOptions): Found {
  const search = searchOf(problem, options.better);
  const begun = tryRules(search, options);
  const tried = (problem.tasks.length > LARGE ? improveNear : improve)(search, begun, options);
  const { schedule: found, cost } = search.best;
  return { schedule: found, cost, tried };
}
