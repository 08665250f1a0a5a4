'use client';

import Link from 'next/link';
import { useCallback, useState } from 'react';
import type { Timer } from '@/data/diary';
import { Clocks } from '@/ui/bench/clocks';
import { send } from '@/ui/kit/api';
import { useLookAgain } from '@/ui/kit/look-again';

/** What was started elsewhere is looked for every so often, ms. */
const LOOK = 10_000;

/** Clocks that run anywhere in the workshop: they ring here too. */
export function Running() {
  const [timers, setTimers] = useState<readonly Timer[]>([]);
  const [ahead, setAhead] = useState(0);
  const look = useCallback(async () => {
    try {
      const response = await fetch('/api/timers');
      if (!response.ok) return;
      const listed = (await response.json()) as { timers: Timer[]; now: string };
      setTimers(listed.timers);
      setAhead(Date.parse(listed.now) - Date.now());
    } catch {
      // What runs here runs on; it is looked for again.
    }
  }, []);
  useLookAgain(look, LOOK);
  if (timers.length === 0) return null;
  return (
    <section aria-label="Running" className="mb-3">
      <Clocks timers={timers} ahead={ahead} onStop={({ id }) => void send('DELETE', `/api/timers/${id}`).then(look, () => undefined)} />
      <p className="text-sm mt-1">
        {[...new Set(timers.map(({ pieceId }) => pieceId))].map((id) => (
          <Link key={id} href={`/bench/${id}`} className="underline underline-offset-2 mr-3">
            To the bench
          </Link>
        ))}
      </p>
    </section>
  );
}
