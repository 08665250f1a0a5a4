'use client';

import { createContext, useContext, useEffect, useRef, useState, type ReactNode } from 'react';

/** What the tape is doing, in a word for the header. */
export type TapeStatus = 'off' | 'looking' | 'connected' | 'slow';

type Taker = (mm: number, field: HTMLInputElement) => boolean;
type Value = { status: TapeStatus; note: string | null; takers: Set<Taker>; turn: (on: boolean) => void };

const Context = createContext<Value>({ status: 'off', note: null, takers: new Set(), turn: () => undefined });
const KEPT = 'tape on';

/** Listens to the workshop's tape and hands each reading to the field that has the focus. */
export function TapeProvider({ children }: { children: ReactNode }) {
  const [on, setOn] = useState(false);
  const [status, setStatus] = useState<TapeStatus>('off');
  const [note, setNote] = useState<string | null>(null);
  const takers = useRef(new Set<Taker>());

  useEffect(() => {
    // Whether the tape is in use is remembered on this device; the server cannot know it.
    if (localStorage.getItem(KEPT) === 'yes') setOn(true);
  }, []);

  useEffect(() => {
    if (!on) return;
    setStatus('looking');
    const source = new EventSource('/api/tape');
    source.addEventListener('state', (event) => {
      const { state, why } = JSON.parse((event as MessageEvent<string>).data) as { state: TapeStatus; why?: string };
      setStatus(state);
      setNote(why ?? null);
    });
    source.addEventListener('reading', (event) => {
      const { mm } = JSON.parse((event as MessageEvent<string>).data) as { mm: number };
      const field = document.activeElement;
      const taken = field instanceof HTMLInputElement && [...takers.current].some((take) => take(mm, field));
      setNote(taken ? null : `${Math.round(mm * 10) / 10} mm read, but no size field is active`);
    });
    source.addEventListener('garbled', (event) => {
      const { why } = JSON.parse((event as MessageEvent<string>).data) as { why: string };
      setNote(`A reading was garbled (${why}); send it again`);
    });
    source.onerror = () => setStatus('looking');
    return () => {
      source.close();
      setStatus('off');
      setNote(null);
    };
  }, [on]);

  const turn = (to: boolean) => {
    localStorage.setItem(KEPT, to ? 'yes' : 'no');
    setOn(to);
  };
  // The set itself never changes: fields come and go in it.
  const [value] = useState(() => takers.current);
  return <Context value={{ status, note, takers: value, turn }}>{children}</Context>;
}

/** The tape's state and its switch, for the header. */
export function useTape(): Pick<Value, 'status' | 'note' | 'turn'> {
  return useContext(Context);
}

/** Offers a field to the tape: the taker says whether the reading was for it. */
export function useTapeReading(taker: Taker): void {
  const { takers } = useContext(Context);
  const latest = useRef(taker);
  useEffect(() => {
    latest.current = taker;
  });
  useEffect(() => {
    const take: Taker = (mm, field) => latest.current(mm, field);
    takers.add(take);
    return () => void takers.delete(take);
  }, [takers]);
}
