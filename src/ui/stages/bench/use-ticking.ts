'use client';

import { useCallback, useRef, useState } from 'react';
import type { Tick } from '@/data/bench';
import { send, UNREACHED } from '@/ui/kit/api';
import { useLookAgain } from '@/ui/kit/look-again';
import { useSheet, useSheetStore } from '@/ui/sheet/store';

/** The ticks of a run sheet, and how one is set or taken back. */
export type Ticking = {
  message: string | null;
  done: (unit: number, step: string) => boolean;
  tick: (unit: number, step: string, to: boolean) => void;
};

/**
 * Ticks steps for pieces of the set: shown at once, taken back where it could not be kept. What others ticked meanwhile is seen, also
 * what this page itself sent before it was opened again.
 */
export function useTicking(): Ticking {
  const store = useSheetStore();
  const id = useSheet((state) => state.id);
  const ticks = useSheet((state) => state.ticks);
  const [message, setMessage] = useState<string | null>(null);
  // An answer that was asked for before a tick of this page does not know of it.
  const ref = useRef({ made: 0, underWay: 0 });

  const look = useCallback(async () => {
    const { made } = ref.current;
    if (document.hidden || ref.current.underWay > 0) return;
    try {
      const response = await fetch(`/api/pieces/${id}/ticks`, { cache: 'no-store' });
      if (!response.ok) return;
      const { ticks: listed } = (await response.json()) as { ticks: Tick[] };
      if (ref.current.made === made) store.getState().setTicks(listed);
    } catch {
      // Away from the workshop they stand as they were told last.
    }
  }, [id, store]);

  useLookAgain(look);

  const set = (unit: number, step: string, on: boolean) => {
    // Quick ticks follow each other before the page is drawn again: each changes what is there by then.
    const { ticks: now, setTicks } = store.getState();
    setTicks([...now.filter((t) => t.unit !== unit || t.step !== step), ...(on ? [{ unit, step }] : [])]);
  };
  const tick = async (unit: number, step: string, to: boolean) => {
    ref.current.made += 1;
    ref.current.underWay += 1;
    set(unit, step, to);
    try {
      const answer = await send('PUT', `/api/pieces/${id}/ticks`, { unit, step, done: to });
      if (!answer.ok) set(unit, step, !to);
      setMessage(answer.ok ? null : (answer.data.message ?? 'The tick was not kept; try again.'));
    } catch {
      set(unit, step, !to);
      setMessage(UNREACHED);
    } finally {
      ref.current.underWay -= 1;
    }
  };
  return { message, done: (unit, step) => ticks.some((t) => t.unit === unit && t.step === step), tick: (...to) => void tick(...to) };
}
