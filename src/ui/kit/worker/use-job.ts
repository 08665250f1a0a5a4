'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Answer, JobKind, Question } from '@/workers/jobs';
import { NotAnswered } from './worker-client';
import { solvingWorker, type JobClient } from './workers';

/** How a job in its worker stands. */
export type JobState<K extends JobKind> = {
  answer: Answer<K> | null;
  /** the best so far, while it still runs */
  best: Answer<K> | null;
  running: boolean;
  /** share done, 0 … 1 */
  done: number;
  wrong: string | null;
};

/**
 * Runs long work of one kind in a worker of its own. Starting another gives up the one before; so does stopping, and
 * leaving. A worker that rests is used again: it knows what it solved before.
 */
export function useJob<K extends JobKind>(kind: K): JobState<K> & { start: (question: Question<K>) => void; stop: () => void } {
  const client = useRef<JobClient | null>(null);
  const [state, setState] = useState<JobState<K>>({ answer: null, best: null, running: false, done: 0, wrong: null });
  useEffect(
    () => () => {
      client.current?.close();
      client.current = null;
    },
    [],
  );
  const start = useCallback(
    (question: Question<K>) => {
      client.current ??= solvingWorker();
      client.current.giveUp();
      setState((now) => ({ ...now, running: true, done: 0, wrong: null, best: null }));
      client.current
        .ask(kind, question, ({ done, of, best }) =>
          setState((now) => ({ ...now, done: done / of, best: (best as Answer<K>) ?? now.best })),
        )
        .then((answer) => setState({ answer, best: null, running: false, done: 1, wrong: null }))
        .catch((error: unknown) => {
          // One that was given up says nothing: another was started, or nobody waits.
          if (error instanceof NotAnswered && error.why === 'given-up') return;
          setState((now) => ({ ...now, running: false, wrong: error instanceof Error ? error.message : String(error) }));
        });
    },
    [kind],
  );
  const stop = useCallback(() => {
    client.current?.giveUp();
    setState((now) => ({ ...now, running: false }));
  }, []);
  return { ...state, start, stop };
}
