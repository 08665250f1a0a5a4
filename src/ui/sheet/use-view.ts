'use client';

import { useEffect, useRef, useState } from 'react';
import type { HouseRules } from '@/core/house';
import type { Piece, Problem } from '@/core/piece';
import type { SheetView } from '@/core/view';

/** Two changes nearer than this belong to one drag, ms. */
const DRAG = 140;

type Result = { view: SheetView } | { problems: Problem[] };

/**
 * Works the sheet out in a worker. One question is under way at a time; the newest waits, older ones are dropped.
 * While something is dragged a quick look is asked for, and the settled answer when the hand rests.
 */
export function useView(piece: Piece, house: HouseRules): { view: SheetView | null; problems: Problem[]; settled: boolean } {
  const worker = useRef<Worker | null>(null);
  const busy = useRef(false);
  const waiting = useRef<{ piece: Piece; house: HouseRules; live: boolean } | null>(null);
  const number = useRef(0);
  const [state, setState] = useState<{ view: SheetView | null; problems: Problem[]; of: Piece | null }>({
    view: null,
    problems: [],
    of: null,
  });
  const asked = useRef<Piece | null>(null);
  const last = useRef(0);
  const rest = useRef<ReturnType<typeof setTimeout> | null>(null);

  useEffect(() => {
    const made = new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    const ask = () => {
      const next = waiting.current;
      if (!next) return;
      waiting.current = null;
      busy.current = true;
      asked.current = next.piece;
      number.current += 1;
      made.postMessage({ number: number.current, ...next });
    };
    made.onmessage = (event: MessageEvent<{ number: number; result: Result }>) => {
      busy.current = false;
      const { result } = event.data;
      const of = asked.current;
      setState((now) => ('view' in result ? { view: result.view, problems: [], of } : { ...now, problems: result.problems, of }));
      ask();
    };
    made.onerror = () => {
      busy.current = false;
      setState((now) => ({ ...now, problems: [{ path: '', message: 'The drawing could not be worked out; reload the page.' }] }));
    };
    if (waiting.current) ask();
    return () => {
      made.terminate();
      worker.current = null;
      busy.current = false;
    };
  }, []);

  useEffect(() => {
    // Changes that follow each other fast are a drag: the settled answer is asked for when they stop.
    const now = performance.now();
    const live = now - last.current < DRAG;
    last.current = now;
    const put = (quick: boolean): void => {
      waiting.current = { piece, house, live: quick };
      if (busy.current || !worker.current) return;
      const next = waiting.current;
      waiting.current = null;
      busy.current = true;
      asked.current = next.piece;
      number.current += 1;
      worker.current.postMessage({ number: number.current, ...next });
    };
    put(live);
    if (!live) return;
    rest.current = setTimeout(() => put(false), DRAG);
    return () => {
      if (rest.current) clearTimeout(rest.current);
    };
  }, [piece, house]);

  return { view: state.view, problems: state.problems, settled: state.of === piece && (state.problems.length > 0 || !state.view?.preview) };
}
