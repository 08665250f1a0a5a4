'use client';

import { useEffect, useRef, useState } from 'react';
import type { HouseRules } from '@/core/house';
import type { Piece, Problem } from '@/core/piece';
import type { SheetView } from '@/core/view';

type Result = { view: SheetView } | { problems: Problem[] };

/**
 * Works the sheet out in a worker. One question is under way at a time; the newest waits, older ones are dropped.
 */
export function useView(piece: Piece, house: HouseRules): { view: SheetView | null; problems: Problem[]; settled: boolean } {
  const worker = useRef<Worker | null>(null);
  const busy = useRef(false);
  const waiting = useRef<{ piece: Piece; house: HouseRules } | null>(null);
  const number = useRef(0);
  const [state, setState] = useState<{ view: SheetView | null; problems: Problem[]; of: Piece | null }>({
    view: null,
    problems: [],
    of: null,
  });
  const asked = useRef<Piece | null>(null);

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
    waiting.current = { piece, house };
    if (!busy.current && worker.current) {
      const next = waiting.current;
      waiting.current = null;
      busy.current = true;
      asked.current = next.piece;
      number.current += 1;
      worker.current.postMessage({ number: number.current, ...next });
    }
  }, [piece, house]);

  return { view: state.view, problems: state.problems, settled: state.of === piece };
}
