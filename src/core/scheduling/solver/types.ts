/** A time between two tasks: begun so many minutes after the other ended, at least and, where glue dries, at most. */
export type Link = { on: string; least: number; most: number | null };

/** One thing to be done by one person in one go, or over a night where nothing dries meanwhile. Minutes. */
export type Task = {
  id: string;
  minutes: number;
  /** what it takes whoever is quicker or slower at it, by their id */
  by?: Readonly<Record<string, number>>;
  after: readonly Link[];
  /** the kind of place that it takes up; none where nothing is said */
  place?: string;
  /** what stands somewhere once it is done, where, how long, and how many: glued work on a rack until it holds */
  rests?: { place: string; minutes: number; units: number };
  /** who can do it; anybody where nothing is said */
  who?: readonly string[];
  /** not before this, minutes from the schedule's beginning: a delivery, or what somebody has pinned */
  from?: number;
  /** by when its job is due */
  due?: number;
  /** what it is work on: whoever goes from one to another lays tools down and takes others up */
  set?: string;
};

/** A stretch of time, minutes from the schedule's beginning. */
export type Span = readonly [from: number, to: number];

/** Somebody who works, with the hours that they are there. */
export type Worker = { id: string; hours: readonly Span[] };

/** Everything that is scheduled at once. */
export type Problem = {
  tasks: readonly Task[];
  workers: readonly Worker[];
  /** how many there are of each kind of place; a kind that is not named is never short */
  places: Readonly<Record<string, number>>;
  /** what it takes somebody to go from one set to another: tools laid down, others taken up; nothing where it is not said, minutes */
  change?: number;
};

/** A task with who does it and when. */
export type Done = { id: string; who: string; spans: readonly Span[] };

/** A schedule: what is done when, and what could not be placed within anybody's hours. */
export type Schedule = { done: Done[]; left: string[] };

/** What a task takes somebody. */
export const minutesOf = ({ minutes, by }: Pick<Task, 'minutes' | 'by'>, who: string): number => by?.[who] ?? minutes;

/** When a task begins and ends. */
export const beginOf = ({ spans }: Pick<Done, 'spans'>): number => spans[0]![0];
export const endOf = ({ spans }: Pick<Done, 'spans'>): number => spans.at(-1)![1];
