'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { isBetter, type LayTask } from '@/core/nesting';
import { solvingWorker, type JobClient } from '@/ui/kit/worker/workers';
import type { LayFound } from '@/workers/jobs';

/** So many look at once, each elsewhere; one core is left to the page. */
const MOST = 3;
/** How long is looked without anybody asking for more, seconds. */
export const SECONDS = 20;

type State = { best: LayFound | null; running: boolean; done: number; tried: number; wrong: string | null };
const NOTHING: State = { best: null, running: false, done: 0, tried: 0, wrong: null };

/**
 * Looks for a lay in several workers at once, each from another beginning; the best of all is there at any time.
 */
export function useLaySearch() {
  const clients = useRef<JobClient[]>([]);
  const tried = useRef<number[]>([]);
  const round = useRef(0);
  const [state, setState] = useState(NOTHING);
  const end = useCallback(() => {
    round.current += 1;
    clients.current.forEach((jobClient) => jobClient.giveUp());
  }, []);
  useEffect(
    () => () => {
      clients.current.forEach((jobClient) => jobClient.close());
      clients.current = [];
    },
    [],
  );
  const start = useCallback(
    (task: LayTask, seconds = SECONDS, most = MOST) => {
      end();
      const value = round.current;
      const count = Math.max(1, Math.min(most, (navigator.hardwareConcurrency || 2) - 1));
      while (clients.current.length < count) clients.current.push(solvingWorker());
      const asked = clients.current.slice(0, count);
      tried.current = asked.map(() => 0);
      setState({ ...NOTHING, running: true });
      let left = asked.length;
      const take = (k: number, found: LayFound | undefined, done: number): void => {
        if (round.current !== value) return;
        if (found) tried.current[k] = found.tried;
        const all = tried.current.reduce((sum, n) => sum + n, 0);
        setState((now) => ({
          ...now,
          done: Math.max(now.done, done),
          tried: all,
          best: found && (!now.best || isBetter(found.lay, now.best.lay)) ? found : now.best,
        }));
      };
      asked.forEach((client, k) => {
        client
          .ask('lay', { task, seed: k + 1, seconds }, ({ done, of, best }) => take(k, best as LayFound | undefined, done / of))
          .then((found) => take(k, found, 1))
          .catch((error: unknown) => {
            if (round.current === value) setState((now) => ({ ...now, wrong: error instanceof Error ? error.message : String(error) }));
          })
          .finally(() => {
            left -= 1;
            if (left === 0 && round.current === value) setState((now) => ({ ...now, running: false, done: 1 }));
          });
      });
    },
    [end],
  );
  const stop = useCallback(() => {
    end();
    setState((now) => ({ ...now, running: false }));
  }, [end]);
  const forget = useCallback(() => {
    end();
    setState(NOTHING);
  }, [end]);
  return { ...state, start, stop, forget };
}
