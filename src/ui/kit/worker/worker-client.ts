/** The least of a worker that a client needs: the browser's, or a test's. */
export type WorkerLike = {
  postMessage: (message: unknown, transfer?: Transferable[]) => void;
  terminate: () => void;
  onmessage: ((event: { data: unknown }) => void) | null;
  onerror: ((event: unknown) => void) | null;
};

/** Why a question was not answered. */
export type Unanswered = 'given-up' | 'too-long' | 'broken';

/** A question that was not answered: given up, taking too long, or with what went wrong. */
export class NotAnswered extends Error {
  /**
   * @param why what became of it
   * @param message for the user
   */
  constructor(
    readonly why: Unanswered,
    message: string,
  ) {
    super(message);
  }
}

/** How far a question is, and the best so far. */
export type Progress = { done: number; of: number; best?: unknown };

export type ClientOptions = {
  make: () => WorkerLike;
  /** a worker that says nothing for so long is ended, ms */
  limit: number;
};

/** One worker and the questions put to it. */
export type WorkerClient = {
  /**
   * Asks; one question is under way at a time, others wait their turn.
   *
   * @throws NotAnswered where it is given up, takes too long, or goes wrong
   */
  ask: <A>(question: unknown, onProgress?: (progress: Progress) => void) => Promise<A>;
  /** gives up what is under way and what waits; a worker that rests goes on resting and keeps what it knows */
  giveUp: () => void;
  close: () => void;
};

type Waiting = {
  question: unknown;
  onProgress: (progress: Progress) => void;
  resolve: (answer: never) => void;
  reject: (error: NotAnswered) => void;
};
type Said = Progress | { answer: unknown } | { wrong: string };

const TOO_LONG = 'This took too long and was stopped. Undo the change, or try a smaller one.';
const BROKEN = 'This could not be worked out; reload the page.';

/**
 * A client of one worker. Whatever the worker does, the page stays usable: one that falls silent or breaks is ended, and
 * a new one takes the next question.
 */
export function workerClient({ make, limit }: ClientOptions): WorkerClient {
  let worker: WorkerLike | null = null;
  let asked: Waiting | null = null;
  let waiting: Waiting[] = [];
  let timer: ReturnType<typeof setTimeout> | undefined;

  const end = (why: Unanswered, message: string): void => {
    worker?.terminate();
    worker = null;
    clearTimeout(timer);
    const item = asked;
    asked = null;
    item?.reject(new NotAnswered(why, message));
  };
  const watch = (): void => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      end('too-long', TOO_LONG);
      next();
    }, limit);
  };
  const started = (): WorkerLike => {
    if (worker) return worker;
    const made = make();
    worker = made;
    made.onmessage = ({ data }) => {
      // A worker that was ended may still have something to say.
      if (worker !== made || !asked) return;
      const reported = data as Said;
      if ('of' in reported) {
        watch();
        asked.onProgress(reported);
        return;
      }
      clearTimeout(timer);
      const item = asked;
      asked = null;
      if ('answer' in reported) item.resolve(reported.answer as never);
      else item.reject(new NotAnswered('broken', reported.wrong));
      next();
    };
    made.onerror = () => {
      if (worker !== made) return;
      end('broken', BROKEN);
      next();
    };
    return made;
  };
  const next = (): void => {
    if (asked) return;
    const shift = waiting.shift();
    if (!shift) return;
    asked = shift;
    watch();
    started().postMessage(shift.question);
  };
  const giveUp = (): void => {
    const left = waiting;
    waiting = [];
    if (asked) end('given-up', 'Given up');
    for (const item of left) item.reject(new NotAnswered('given-up', 'Given up'));
  };
  return {
    ask: <A>(question: unknown, onProgress: (progress: Progress) => void = () => undefined) =>
      new Promise<A>((resolve, reject) => {
        waiting.push({ question, onProgress, resolve: resolve as (answer: never) => void, reject });
        next();
      }),
    giveUp,
    close: () => {
      giveUp();
      worker?.terminate();
      worker = null;
    },
  };
}
