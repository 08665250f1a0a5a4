'use client';

import { useCallback, useMemo, useRef, useState } from 'react';
import type { Step } from '@/core/run-sheet';
import type { Piece } from '@/core/piece';
import type { BenchNote, Timer } from '@/data/diary';
import type { BoardPicture, CornerPicture, FasteningPicture, FlatPicture, SmallSection } from '@/server/planning';
import { useLookAgain } from '@/ui/kit/look-again';
import type { Ticked } from './meanwhile';
import { inBrowser, nextId, sendAll, type Keeping, type Sending } from './queue';

/** A run sheet as the workshop tells it. */
export type BenchView = {
  id: string;
  name: string;
  count: number;
  steps: Step[];
  fastening: FasteningPicture | null;
  people: string[];
  section: SmallSection | null;
  cloth: FlatPicture[];
  foam: FlatPicture[];
  corners: CornerPicture[];
  board: BoardPicture;
  piece: Piece;
  ticks: Ticked[];
  notes: BenchNote[];
  timers: Timer[];
  now: string;
};

/** What is not sent yet, laid over what the workshop told. */
function withSendings(view: BenchView, sendings: readonly Sending[]): BenchView {
  return sendings.reduce((now, { id, url, method, body }) => {
    if (url === `/api/pieces/${view.id}/ticks`) {
      const { unit, step, done } = body as { unit: number; step: string; done: boolean };
      const others = now.ticks.filter((tick) => tick.unit !== unit || tick.step !== step);
      return { ...now, ticks: done ? [...others, { unit, step }] : others };
    }
    if (url === '/api/timers' && method === 'POST') {
      const { piece, unit, step, at } = body as { piece: string; unit: number; step: string; at: string };
      const what = view.steps.find(({ key }) => key === step);
      if (piece !== view.id || !what || now.timers.some((candidate) => candidate.id === id)) return now;
      const after = (minutes: number): string => new Date(Date.parse(at) + minutes * 60_000).toISOString();
      const timer: Timer = {
        id,
        pieceId: piece,
        unit,
        step,
        name: what.name,
        startedAt: at,
        readyAt: after(what.wait),
        untilAt: what.open === undefined ? null : after(what.open),
      };
      return { ...now, timers: [...now.timers.filter((candidate) => candidate.step !== step || candidate.unit !== unit), timer] };
    }
    if (method === 'DELETE' && url.startsWith('/api/timers/'))
      return { ...now, timers: now.timers.filter((timer) => !url.endsWith(timer.id)) };
    if (url === `/api/pieces/${view.id}/notes`)
      return now.notes.some((note) => note.id === id)
        ? now
        : { ...now, notes: [...now.notes, { photo: null, ...body, id } as unknown as BenchNote] };
    return now;
  }, view);
}

/** The run sheet at the bench: what the workshop tells, what is on its way to it, and every way to add to it. */
export function useBench(piece: string) {
  const [benchView, setTold] = useState<BenchView | null>(null);
  const [waiting, setWaiting] = useState<readonly Sending[]>([]);
  const [aside, setAside] = useState<readonly Sending[]>([]);
  const [reached, setReached] = useState(true);
  const [message, setMessage] = useState<string | null>(null);
  // Why the run sheet was not told, until it is.
  const [refusal, setRefusal] = useState<string | null>(null);
  // The workshop's clock against this machine's, ms.
  const [ahead, setAhead] = useState(0);
  const keeping = useRef<Keeping | null>(null);
  const busy = useRef(false);
  const callback = useCallback((): Keeping => (keeping.current ??= inBrowser()), []);

  const look = useCallback(async () => {
    try {
      const response = await fetch(`/api/pieces/${piece}/bench`, { cache: 'no-store' });
      if (!response.ok) {
        const refused = (await response.json().catch(() => ({}))) as { message?: string };
        return setRefusal(refused.message ?? `The workshop answered ${response.status}.`);
      }
      const view = (await response.json()) as BenchView;
      setTold(view);
      setRefusal(null);
      if (navigator.onLine) setAhead(Date.parse(view.now) - Date.now());
    } catch {
      setReached(false);
    }
  }, [piece]);

  const flush = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      const { left, refused } = await sendAll(callback());
      setReached(left === 0);
      if (refused.length > 0) setMessage(refused.join(' '));
      setWaiting(await callback().all());
      setAside(await callback().asides());
      // Away from the workshop what was kept of its last answer is what there is.
      await look();
    } finally {
      busy.current = false;
    }
  }, [callback, look]);

  // What was kept when the page was closed is sent when it is opened again.
  useLookAgain(flush);

  const tell = useCallback(
    async (sendings: Omit<Sending, 'id'>[]) => {
      for (const sending of sendings) {
        const id = nextId();
        await callback().put({ ...sending, id, body: { ...sending.body, ...(sending.method === 'POST' ? { id } : {}) } });
      }
      setWaiting(await callback().all());
      void flush();
    },
    [callback, flush],
  );

  /** What was refused: sent once more, or forgotten. */
  const settle = useCallback(
    async (sending: Sending, again: boolean) => {
      const { why: _refused, ...plain } = sending;
      void _refused;
      if (again) await callback().put(plain);
      await callback().dropAside(sending.id);
      setAside(await callback().asides());
      if (again) void flush();
    },
    [callback, flush],
  );

  const view = useMemo(() => (benchView ? withSendings(benchView, waiting) : null), [benchView, waiting]);
  return { view, waiting: waiting.length, aside, settle, reached, message: message ?? refusal, ahead, tell };
}

export type Bench = ReturnType<typeof useBench>;
