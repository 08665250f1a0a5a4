'use client';

import { useEffect, useRef, useState } from 'react';
import type { Timer } from '@/data/diary';
import { sayClock } from './meanwhile';

/** Two short tones: heard over a compressor, and over in a second. */
function ring(): void {
  try {
    const context = new AudioContext();
    for (const [at, pitch] of [
      [0, 880],
      [0.35, 1175],
    ] as const) {
      const tone = context.createOscillator();
      const loud = context.createGain();
      tone.frequency.value = pitch;
      loud.gain.value = 0.3;
      tone.connect(loud).connect(context.destination);
      tone.start(context.currentTime + at);
      tone.stop(context.currentTime + at + 0.25);
    }
    setTimeout(() => void context.close(), 1000);
  } catch {
    // A machine without sound still shows it.
  }
}

function notify(words: string): void {
  if ('Notification' in window && Notification.permission === 'granted') new Notification('Fovea', { body: words });
}

/** The time at the workshop, told every second while something runs. */
export function useNow(ahead: number, runs: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!runs) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, [runs]);
  return now + ahead;
}

/** What runs, the first to be ready first; it rings when it is ready, once. */
export function Clocks({ timers, ahead, onStop }: { timers: readonly Timer[]; ahead: number; onStop: (timer: Timer) => void }) {
  const now = useNow(ahead, timers.length > 0);
  const rung = useRef(new Set<string>());
  const title = useRef<string | null>(null);
  const ready = timers.filter(({ readyAt }) => Date.parse(readyAt) <= now);
  const says = ready.map(({ name }) => name).join(', ');
  useEffect(() => {
    for (const timer of ready)
      if (!rung.current.has(timer.id)) {
        rung.current.add(timer.id);
        // One that was ready long before the page was opened is shown, not rung.
        if (now - Date.parse(timer.readyAt) < 60_000) {
          ring();
          notify(`${timer.name}: ready`);
        }
      }
  });
  useEffect(() => {
    title.current ??= document.title;
    document.title = says ? `● Ready: ${says}` : title.current;
  }, [says]);
  if (timers.length === 0) return null;
  return (
    <ul aria-label="Clocks" className="flex flex-wrap gap-3">
      {timers.map((timer) => {
        const left = Date.parse(timer.readyAt) - now;
        const until = timer.untilAt === null ? null : Date.parse(timer.untilAt) - now;
        const over = until !== null && until < 0;
        return (
          <li
            key={timer.id}
            data-timer={timer.step}
            data-ready={left <= 0}
            className={`flex items-center gap-3 border-2 px-4 h-16 text-xl ${over ? 'border-error text-error' : left <= 0 ? 'border-primary' : 'border-base-content/40'}`}
          >
            <span>
              {timer.name}
              {timer.unit > 0 && `, ${timer.unit}`}:{' '}
              <strong className="tabular-nums">
                {left > 0
                  ? sayClock(left)
                  : over
                    ? 'too late, spray it again'
                    : until !== null
                      ? `ready, lay within ${sayClock(until)}`
                      : 'ready'}
              </strong>
            </span>
            <button
              type="button"
              className="btn btn-ghost h-14 min-w-14 text-xl"
              aria-label={`Stop the clock, ${timer.name}`}
              onClick={() => onStop(timer)}
            >
              ×
            </button>
          </li>
        );
      })}
    </ul>
  );
}
