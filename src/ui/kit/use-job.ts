'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Answers, Job, JobMessage } from '@/workers/solve.worker';

/** How a job in its worker stands. */
export type JobState<K extends Job['kind']> = {
  answer: Answers[K] | null;
  /** the best so far, while it still runs */
  best: Answers[K] | null;
  running: boolean;
  /** share done, 0 … 1 */
  done: number;
  wrong: string | null;
};

/**
 * Runs long work in a worker of its own. Starting another job gives up the one before; so does stopping, and leaving.
 */
export function useJob<K extends Job['kind']>(): JobState<K> & { start: (job: Extract<Job, { kind: K }>) => void; stop: () => void } {
  const worker = useRef<Worker | null>(null);
  const busy = useRef(false);
  const [state, setState] = useState<JobState<K>>({ answer: null, best: null, running: false, done: 0, wrong: null });

  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    busy.current = false;
  }, []);
  useEffect(() => end, [end]);

  const start = useCallback(
    (job: Extract<Job, { kind: K }>) => {
      // A worker that rests is used again: it knows what it solved before. One that works is given up.
      if (busy.current) end();
      const made = worker.current ?? new Worker(new URL('../../workers/solve.worker.ts', import.meta.url), { type: 'module' });
      worker.current = made;
      busy.current = true;
      setState((now) => ({ ...now, running: true, done: 0, wrong: null, best: null }));
      made.onmessage = (event: MessageEvent<JobMessage<K>>) => {
        // A worker that was given up may still have something to say.
        if (worker.current !== made) return;
        const message = event.data;
        if ('answer' in message) {
          setState({ answer: message.answer, best: null, running: false, done: 1, wrong: null });
          busy.current = false;
        } else if ('wrong' in message) {
          setState((now) => ({ ...now, running: false, wrong: message.wrong }));
          busy.current = false;
        } else setState((now) => ({ ...now, done: message.done / message.of, best: message.best ?? now.best }));
      };
      made.onerror = () => {
        if (worker.current !== made) return;
        setState((now) => ({ ...now, running: false, wrong: 'This could not be worked out; reload the page.' }));
        end();
      };
      made.postMessage(job);
    },
    [end],
  );
  const stop = useCallback(() => {
    if (busy.current) end();
    setState((now) => ({ ...now, running: false }));
  }, [end]);
  return { ...state, start, stop };
}
