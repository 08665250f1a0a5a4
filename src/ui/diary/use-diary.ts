'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { endsOf, problemOf, type Delivery, type DiaryInput, type KeptDiary, type PieceEnd, type Range } from '@/core/scheduling';
import { usualTries } from '@/core/scheduling/solver';
import { send, UNREACHED } from '@/ui/kit/api';
import type { DiaryAsked, DiaryTold } from '@/workers/diary.worker';

/** A delivery with the order that it is of. */
export type Coming = Delivery & { order: string; supplier: string; expected: string };
/** What the workshop tells of its diary. */
export type DiaryView = {
  input: DiaryInput;
  deliveries: Coming[];
  without: string[];
  /** pieces whose run sheets are still being worked out */
  coming: number;
  saved: (Omit<KeptDiary, 'input'> & { input: DiaryInput }) | null;
  changed: string[];
  /** work of the log that can be asked for again */
  finished: { id: number; name: string }[];
};

/** So often run sheets that are still being worked out are asked for, ms. */
const ASKED_AGAIN = 2000;

/** What the workshop tells of its diary, and changes to it. */
function useView() {
  const [view, setView] = useState<DiaryView | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const load = useCallback(async () => {
    try {
      const response = await fetch('/api/diary');
      if (!response.ok) throw new Error();
      setView((await response.json()) as DiaryView);
      setMessage(null);
    } catch {
      setMessage(UNREACHED);
    }
  }, []);
  // What was ticked or ordered elsewhere meanwhile is there when the page is opened.
  useEffect(() => void load(), [load]);
  // Until every run sheet is known it is asked again.
  useEffect(() => {
    if (!view || view.coming === 0) return;
    const timer = setTimeout(() => void load(), ASKED_AGAIN);
    return () => clearTimeout(timer);
  }, [view, load]);
  /** Does a change at the workshop, and looks again. */
  const change = useCallback(
    async (method: 'PUT' | 'POST' | 'DELETE', url: string, body: unknown): Promise<string | null> => {
      try {
        const answer = await send(method, url, body);
        if (!answer.ok) return answer.data.message ?? UNREACHED;
        await load();
        return null;
      } catch {
        return UNREACHED;
      }
    },
    [load],
  );
  return { view, message, setMessage, load, change };
}

/** How sure the schedule is that is kept, for the days that are thought of: asked whenever either changes. */
function useRanges(saved: DiaryView['saved']) {
  const [ranges, setRanges] = useState<Range[]>([]);
  const [promises, setPromises] = useState<Record<string, string>>({});
  useEffect(() => {
    if (!saved) return;
    const item = new Worker(new URL('../../workers/diary.worker.ts', import.meta.url), { type: 'module' });
    item.onmessage = ({ data }: MessageEvent<DiaryTold>) => setRanges(data.ranges ?? []);
    item.postMessage({ input: saved.input, tries: 0, by: promises, saved: saved.schedule } satisfies DiaryAsked);
    return () => item.terminate();
  }, [saved, promises]);
  return { ranges, promises, setPromises };
}

/** The diary as it stands, a search that is under way, and how sure what was found is. */
export function useDiary(mayPlan: boolean) {
  const { view, message, setMessage, load, change } = useView();
  const { ranges, promises, setPromises } = useRanges(view?.saved ?? null);
  const [search, setSearch] = useState<DiaryTold | null>(null);
  // What the schedule said before the last search: what a change costs is told against it.
  const [before, setBefore] = useState<PieceEnd[]>([]);
  const worker = useRef<Worker | null>(null);
  const best = useRef<{ input: DiaryInput; diary: DiaryTold } | null>(null);
  useEffect(() => () => worker.current?.terminate(), []);

  const keep = useCallback(async () => {
    if (!best.current) return;
    const { input, diary } = best.current;
    setMessage(await change('PUT', '/api/diary', { input, schedule: diary.schedule }));
  }, [change, setMessage]);

  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setSearch(null);
    void keep();
  }, [keep]);

  const plan = useCallback(() => {
    if (!view) return;
    const { input, saved } = view;
    setBefore(saved ? endsOf(saved.input, saved.schedule) : []);
    worker.current?.terminate();
    const item = new Worker(new URL('../../workers/diary.worker.ts', import.meta.url), { type: 'module' });
    worker.current = item;
    const tries = usualTries(problemOf(input));
    setSearch({ tried: 0, of: tries, schedule: { done: [], left: [] }, ends: [], ranges: null, wrong: [] });
    item.onmessage = ({ data }: MessageEvent<DiaryTold>) => {
      best.current = { input, diary: data };
      setSearch(data.ranges ? null : data);
      if (!data.ranges) return;
      item.terminate();
      worker.current = null;
      if (data.wrong.length > 0) setMessage(`This schedule breaks a rule and was not saved: ${data.wrong[0]}`);
      else void keep();
    };
    item.onerror = () => {
      setSearch(null);
      setMessage('The schedule could not be worked out; nothing was changed. Try again.');
    };
    item.postMessage({ input, tries, by: promises, saved: null, known: saved?.schedule } satisfies DiaryAsked);
  }, [view, promises, keep, setMessage]);

  // Opened, it plans by itself what was never planned, or what has changed since: nobody wants yesterday's week.
  const opened = useRef(false);
  useEffect(() => {
    if (!view || view.coming > 0 || !mayPlan || opened.current) return;
    opened.current = true;
    if (view.input.pieces.length > 0 && (!view.saved || view.changed.length > 0)) plan();
  }, [view, mayPlan, plan]);

  return { view, message, search, ranges, promises, setPromises, before, load, change, plan, stop };
}

export type Diary = ReturnType<typeof useDiary>;
