'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import {
  ASKED_FOR,
  costOfTaking,
  endsOf,
  problemOf,
  withAskedFor,
  type Cost,
  type PieceEnd,
  type Range,
  type StepToDo,
} from '@/core/scheduling';
import type { Piece } from '@/core/piece';
import { usualTries } from '@/core/scheduling/solver';
import type { DiaryAsked, DiaryTold } from '@/workers/diary.worker';
import type { DiaryView } from './use-diary';
import { UNREACHED } from '@/ui/kit/api';

/** What somebody asks for. Days are empty where nothing is said. */
export type Question = { like: string; count: number; due: string; clothOn: string };
/** Whether it can be promised. */
export type Promised = { piece: Piece; end: PieceEnd; range: Range; costs: Cost[]; question: Question };

/** Looks how a job that nobody has taken would come out beside everything on the floor. Nothing is kept of it. */
export function useAskedFor(view: DiaryView) {
  const [message, setMessage] = useState<string | null>(null);
  const [promised, setTold] = useState<Promised | null>(null);
  const [looking, setLooking] = useState<{ tried: number; of: number } | null>(null);
  const worker = useRef<Worker | null>(null);
  // What was stopped, or asked anew meanwhile, is not gone on with when its answer comes.
  const turn = useRef(0);
  useEffect(() => () => worker.current?.terminate(), []);

  const ask = useCallback(
    async (question: Question) => {
      worker.current?.terminate();
      const value = ++turn.current;
      setTold(null);
      setMessage(null);
      setLooking({ tried: 0, of: 1 });
      let found: { piece: Piece; steps: StepToDo[]; message?: string };
      try {
        const answer = await fetch(`/api/diary/asked-for?like=${encodeURIComponent(question.like)}&count=${question.count}`);
        found = (await answer.json()) as typeof found;
        if (value !== turn.current) return;
        if (!answer.ok) {
          setLooking(null);
          return setMessage(found.message ?? 'That could not be worked out');
        }
      } catch {
        if (value !== turn.current) return;
        setLooking(null);
        return setMessage(UNREACHED);
      }
      const { piece, steps } = found;
      const input = withAskedFor(view.input, { name: piece.name, count: piece.count, steps, due: question.due, clothOn: question.clothOn });
      const before = view.saved ? endsOf(view.saved.input, view.saved.schedule) : [];
      const tries = usualTries(problemOf(input));
      const search = new Worker(new URL('../../workers/diary.worker.ts', import.meta.url), { type: 'module' });
      worker.current = search;
      search.onmessage = ({ data }: MessageEvent<DiaryTold>) => {
        setLooking({ tried: data.tried, of: data.of });
        if (!data.ranges) return;
        search.terminate();
        setLooking(null);
        const end = data.ends.find(({ piece: id }) => id === ASKED_FOR);
        const range = data.ranges.find(({ piece: id }) => id === ASKED_FOR);
        if (data.wrong.length > 0 || !end || !range) return setMessage('No workable schedule was found; nothing was changed.');
        setTold({ piece, end, range, costs: costOfTaking(before, data.ends), question });
      };
      search.onerror = () => {
        setLooking(null);
        setMessage('The search failed; nothing was changed. Try again.');
      };
      search.postMessage({ input, tries, by: {}, saved: null } satisfies DiaryAsked);
    },
    [view],
  );
  const stop = useCallback(() => {
    turn.current += 1;
    worker.current?.terminate();
    setLooking(null);
  }, []);
  return { message, promised, looking, ask, stop };
}
