import { endsOf, problemOf, rangesOf, type DiaryInput, type PieceEnd, type Range } from '../core/scheduling';
import { checkSchedule, schedule, type Schedule } from '../core/scheduling/solver';

/** What is looked for. */
export type DiaryAsked = {
  input: DiaryInput;
  tries: number;
  by: Record<string, string>;
  /** a schedule that is there already: only how sure it is is asked */
  saved: Schedule | null;
  /** yesterday's: its order is tried first */
  known?: Schedule | undefined;
};
/** How far it is: the best so far, and at the end how sure it is. */
export type DiaryTold = { tried: number; of: number; schedule: Schedule; ends: PieceEnd[]; ranges: Range[] | null; wrong: string[] };

/** Nobody waits longer for a schedule, ms: what was found until then is shown. */
const LONGEST = 30_000;

/** A beginning for the dice that is the same for the same question: asked again it answers alike. */
const SEED = 20_262;

function seededRandom(seed: number): () => number {
  let a = seed;
  return () => {
    a = (Math.imul(a, 1_664_525) + 1_013_904_223) >>> 0;
    return a / 4_294_967_296;
  };
}

self.onmessage = ({ data: { input, tries, by, saved, known } }: MessageEvent<DiaryAsked>) => {
  const tell = (diary: Omit<DiaryTold, 'of' | 'ends' | 'wrong'>): void =>
    self.postMessage({
      ...diary,
      of: tries,
      ends: endsOf(input, diary.schedule),
      wrong: diary.ranges ? checkSchedule(problemOf(input), diary.schedule) : [],
    } satisfies DiaryTold);
  const roll = seededRandom(SEED);
  if (saved) return tell({ tried: 0, schedule: saved, ranges: rangesOf(input, saved, roll, by) });
  const begun = performance.now();
  const found = schedule(problemOf(input), {
    tries,
    roll,
    known,
    stop: () => performance.now() - begun > LONGEST,
    better: (better) => tell({ tried: better.tried, schedule: better.schedule, ranges: null }),
  });
  tell({ tried: found.tried, schedule: found.schedule, ranges: rangesOf(input, found.schedule, roll, by) });
};
