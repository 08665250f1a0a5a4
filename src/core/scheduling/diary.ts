import { fieldsOf } from '../piece';
import type { Step } from '../run-sheet';
import {
  beginOf,
  blocksOf,
  checkSchedule,
  endOf,
  placeAll,
  readTaskId,
  schedule,
  tasksOf,
  type Done,
  type Problem,
  type Schedule,
  type SetToDo,
  type SolveOptions,
} from './solver';
import type { WareKind } from '../store';
import { DAY, daysBetween, hoursOf, momentOf } from './calendar';
import type { Shop } from './shop';

/** So far ahead is looked, days: a year of work. */
export const HORIZON = 370;

/** What of a step a schedule is made from, and what is read on its day: cautions, stops and pictures stay with the run sheet. */
const TO_DO = ['key', 'name', 'detail', 'minutes', 'wait', 'open', 'place', 'strand', 'after', 'uses', 'batch'] as const;
export type StepToDo = Pick<Step, (typeof TO_DO)[number]>;

/** A step as a schedule takes it. */
export const stepToDo = (step: Step): StepToDo => fieldsOf(step, ...TO_DO);

/** A piece of the floor with what is known of its work. */
export type PieceToDo = {
  id: string;
  name: string;
  /** the job that it is in */
  job: string | null;
  due: string;
  count: number;
  steps: readonly StepToDo[];
  /** on which pieces of the set each step is done */
  done: Readonly<Record<string, readonly number[]>>;
};

/** What is still to come, for which piece, and when. */
export type Delivery = { id: string; piece: string; kinds: readonly WareKind[]; day: string };

/** A task that was laid on a day and a minute, or on a person, by hand. */
export type Pin = { task: string; day: string; minute: number; who: string | null };

/** How long steps take here, by their key: a share of what the run sheet says, and its spread; of all, and of each by name. */
export type Pace = Readonly<Record<string, Measured & { people?: Readonly<Record<string, Measured>> }>>;
type Measured = { share: number; spread: number; times: number };

/** Everything that a schedule is made from. */
export type DiaryInput = {
  shop: Shop;
  pieces: readonly PieceToDo[];
  deliveries: readonly Delivery[];
  pins: readonly Pin[];
  pace: Pace;
  /** the day and the minute that it begins at */
  begins: string;
  now: number;
};

/** Who goes from one piece to another lays tools down, clears the bench and takes others up: so many minutes. */
const CHANGE = 10;

/** What is ended by a certain day is ended when that day's work is. */
const END_OF_DAY = 1080;

/** Steps of a piece that wait for a delivery, and from when, minutes. */
function waitsOf(piece: PieceToDo, deliveries: readonly Delivery[], begins: string): Record<string, number> {
  const waits: Record<string, number> = {};
  for (const { kinds, day } of deliveries.filter((delivery) => delivery.piece === piece.id)) {
    // Unpacked and looked over it is at hand when the day's work is half done.
    const from = daysBetween(begins, day) * DAY + DAY / 2;
    for (const kind of kinds) {
      for (const { key, uses } of piece.steps) if (uses?.includes(kind)) waits[key] = Math.max(waits[key] ?? 0, from);
    }
  }
  return waits;
}

/**
 * Puts everything on the floor together to one problem.
 *
 * @param input people, pieces, what is still to come, what was laid by hand
 */
export function problemOf({ shop, pieces, deliveries, pins, pace, begins, now }: DiaryInput): Problem {
  const at = (day: string): number => daysBetween(begins, day) * DAY;
  const sets = pieces.map((piece): SetToDo => {
    const matching = pins.filter(({ task }) => readTaskId(task).piece === piece.id);
    return {
      id: piece.id,
      steps: piece.steps,
      count: piece.count,
      ...(piece.due ? { due: at(piece.due) + END_OF_DAY } : {}),
      waits: waitsOf(piece, deliveries, begins),
      done: piece.done,
      pace: (key) => pace[key]?.share ?? 1,
      paceBy: (key) =>
        Object.fromEntries(
          shop.people.flatMap(({ id, name }) => {
            const measured = pace[key]?.people?.[name];
            return measured ? [[id, measured.share]] : [];
          }),
        ),
      pins: Object.fromEntries(matching.map((pin) => [pin.task, { from: Math.max(0, at(pin.day) + pin.minute), who: pin.who }])),
    };
  });
  return {
    tasks: sets.flatMap(tasksOf),
    workers: shop.people.map((person) => ({ id: person.id, hours: hoursOf(person, begins, HORIZON, now) })),
    places: { bench: shop.benches, table: shop.tables, machine: shop.machines, spray: shop.sprays, rack: shop.racks },
    change: CHANGE,
  };
}

/** How a piece comes out: when all of it is done, and whether that is in time. */
export type PieceEnd = {
  piece: string;
  /** null where it does not end within a year */
  ends: { day: string; minute: number } | null;
  /** days after it was due; 0 where it is in time or nothing is due */
  late: number;
};

/** When the last task of each piece ends. */
function lastOfEach(done: readonly Done[]): Map<string, number> {
  const lasts = new Map<string, number>();
  for (const task of done) {
    const { piece } = readTaskId(task.id);
    lasts.set(piece, Math.max(lasts.get(piece) ?? 0, endOf(task)));
  }
  return lasts;
}

/**
 * When each piece is done.
 *
 * @param input what it was made from
 * @param found the schedule
 */
export function endsOf({ pieces, begins }: Pick<DiaryInput, 'pieces' | 'begins'>, { done, left }: Schedule): PieceEnd[] {
  const never = new Set(left.map((id) => readTaskId(id).piece));
  const lasts = lastOfEach(done);
  return pieces.map(({ id, due }) => {
    const last = lasts.get(id) ?? 0;
    const ends = never.has(id) ? null : momentOf(begins, last);
    return { piece: id, ends, late: ends && due ? Math.max(0, daysBetween(due, ends.day)) : 0 };
  });
}

/** Where nobody has measured a step it takes a fifth more or less. */
const USUAL_SPREAD = 0.2;
/** So many times a schedule is drawn at random; of a large floor less often, but never less than the last. */
const THROWS = 60;
const PLACED = 90_000;
const FEWEST_THROWS = 12;

/** A figure near one, never below a half: how much longer a step took than it was thought to. */
function paceFactor(spread: number, roll: () => number): number {
  const normal = Math.sqrt(-2 * Math.log(1 - roll())) * Math.cos(2 * Math.PI * roll());
  return Math.max(0.5, Math.exp(spread * normal));
}

/** A task that takes so much longer or shorter than was thought, whoever does it. */
function longer({ minutes, by }: Problem['tasks'][number], share: number): Pick<Problem['tasks'][number], 'minutes' | 'by'> {
  const take = (value: number): number => Math.max(1, Math.round(value * share));
  return {
    minutes: take(minutes),
    ...(by ? { by: Object.fromEntries(Object.entries(by).map(([who, value]) => [who, take(value)])) } : {}),
  };
}

/** When a piece is likely done: nine times in ten between these, and how often by its day. */
export type Range = { piece: string; early: { day: string; minute: number }; late: { day: string; minute: number }; inTime: number | null };

/**
 * How sure a schedule is: the same order of work with steps that take longer or shorter, many times over.
 *
 * @param input what it was made from
 * @param found the schedule
 * @param roll even figures in [0, 1)
 * @param [by] another day than a piece is due: a promise that somebody thinks of
 */
export function rangesOf(input: DiaryInput, found: Schedule, roll: () => number, by: Readonly<Record<string, string>> = {}): Range[] {
  const problem = problemOf(input);
  const order = new Map([...found.done].sort((a, b) => beginOf(a) - beginOf(b)).map(({ id }, i) => [id, i]));
  const tasks = [...problem.tasks].sort((a, b) => (order.get(a.id) ?? Infinity) - (order.get(b.id) ?? Infinity));
  const ends = new Map<string, number[]>(input.pieces.map(({ id }) => [id, []]));
  const throws = Math.max(FEWEST_THROWS, Math.min(THROWS, Math.round(PLACED / Math.max(1, tasks.length))));
  for (let k = 0; k < throws; k++) {
    const item: Problem = {
      ...problem,
      tasks: tasks.map((task) => ({
        ...task,
        ...longer(task, paceFactor(input.pace[readTaskId(task.id).step]?.spread ?? USUAL_SPREAD, roll)),
      })),
    };
    // One try: tasks in the order that they stand in.
    const { done } = placedInOrder(item);
    const lasts = lastOfEach(done);
    for (const [id, list] of ends) list.push(lasts.get(id) ?? 0);
  }
  return input.pieces.map(({ id, due }) => {
    const list = ends.get(id)!.sort((a, b) => a - b);
    const at = (share: number): number => list[Math.min(list.length - 1, Math.floor(share * list.length))]!;
    const day = by[id] ?? due;
    const limit = day ? daysBetween(input.begins, day) * DAY + END_OF_DAY : null;
    return {
      piece: id,
      early: momentOf(input.begins, at(0.05)),
      late: momentOf(input.begins, at(0.95)),
      inTime: limit === null ? null : list.filter((end) => end <= limit).length / list.length,
    };
  });
}

/** Placed one after another as they stand. */
function placedInOrder(problem: Problem): { done: Done[] } {
  return placeAll(
    problem,
    blocksOf(problem),
    problem.tasks.map((_, i) => i),
  );
}

/** A schedule that is kept, with what it was made from: what changed since is told. */
export type KeptDiary = { begins: string; now: number; madeAt: string; schedule: Schedule; input: string };

/** What of the input a schedule hangs on, as words for each part: what differs is what changed since. */
export function changedSince(before: DiaryInput, now: DiaryInput): string[] {
  const phrases: string[] = [];
  const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
  if (!same(before.shop, now.shop)) phrases.push('people, hours or places');
  if (!same(before.pins, now.pins)) phrases.push('work moved by hand');
  if (!same(before.deliveries, now.deliveries)) phrases.push('a delivery');
  if (!same(before.pace, now.pace)) phrases.push('how long steps take');
  for (const piece of now.pieces) {
    const old = before.pieces.find(({ id }) => id === piece.id);
    if (!old) phrases.push(`${piece.name} is new`);
    else if (!same({ ...old, done: null, name: null }, { ...piece, done: null, name: null })) phrases.push(`${piece.name} was changed`);
    else if (!same(old.done, piece.done)) phrases.push(`${piece.name} has been worked on`);
  }
  for (const old of before.pieces) if (!now.pieces.some(({ id }) => id === old.id)) phrases.push(`${old.name} was removed`);
  return phrases;
}

/** Looks for a schedule, and holds it against the checker before anybody works by it. */
export function scheduleDiary(input: DiaryInput, options: SolveOptions): { schedule: Schedule; wrong: string[]; tried: number } {
  const problem = problemOf(input);
  const { schedule: found, tried } = schedule(problem, options);
  return { schedule: found, wrong: checkSchedule(problem, found), tried };
}
