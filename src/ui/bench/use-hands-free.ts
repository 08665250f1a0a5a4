'use client';

import { useEffect } from 'react';

/** Keys of a keyboard, a foot pedal and a presenter: what each does. */
export const BENCH_KEYS: Readonly<Record<string, 'next' | 'back' | 'done' | 'read'>> = {
  ArrowRight: 'next',
  PageDown: 'next',
  ' ': 'next',
  ArrowLeft: 'back',
  PageUp: 'back',
  Enter: 'done',
  r: 'read',
};

/** A finger that goes so far across turns the page, px. */
const SWIPE = 80;

/**
 * Turns the page by keys, pedal, presenter and finger.
 *
 * @param acts what is done
 */
export function useHandsFree(acts: Record<'next' | 'back' | 'done' | 'read', () => void>): void {
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      const { target } = event;
      // What is typed is typed; a button that has the focus is pressed.
      if (
        target instanceof HTMLElement &&
        target.closest('input, textarea, select, button, a, summary') &&
        event.key !== 'PageDown' &&
        event.key !== 'PageUp'
      )
        return;
      const act = BENCH_KEYS[event.key];
      if (!act) return;
      event.preventDefault();
      acts[act]();
    };
    let from: { x: number; y: number } | null = null;
    const down = (event: TouchEvent) => {
      const [touch] = event.touches;
      from = touch && event.touches.length === 1 ? { x: touch.clientX, y: touch.clientY } : null;
    };
    const up = (event: TouchEvent) => {
      const [touch] = event.changedTouches;
      if (!from || !touch) return;
      const [dx, dy] = [touch.clientX - from.x, touch.clientY - from.y];
      from = null;
      if (Math.abs(dx) < SWIPE || Math.abs(dx) < 2 * Math.abs(dy)) return;
      acts[dx < 0 ? 'next' : 'back']();
    };
    window.addEventListener('keydown', key);
    window.addEventListener('touchstart', down, { passive: true });
    window.addEventListener('touchend', up, { passive: true });
    return () => {
      window.removeEventListener('keydown', key);
      window.removeEventListener('touchstart', down);
      window.removeEventListener('touchend', up);
    };
  });
}

/** Keeps the screen awake while the page is looked at, where the machine can. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const ask = async () => {
      try {
        if (document.visibilityState === 'visible' && 'wakeLock' in navigator) lock = await navigator.wakeLock.request('screen');
      } catch {
        // A machine that saves its battery says no; nothing is lost by it.
      }
    };
    void ask();
    const again = () => void ask();
    document.addEventListener('visibilitychange', again);
    return () => {
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
}

/** Opens again without a network: what the page was built from is kept with it. */
export function useOffline(piece: string): void {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    void (async () => {
      try {
        await navigator.serviceWorker.register('/bench-sw.js');
        const { active } = await navigator.serviceWorker.ready;
        const built = performance
          .getEntriesByType('resource')
          .map(({ name }) => name)
          .filter((name) => name.startsWith(window.location.origin) && name.includes('/_next/static/'));
        active?.postMessage({ keep: [window.location.href, `/api/pieces/${piece}/bench`, '/api/timers', ...built] });
      } catch {
        // Without it the page works as long as the workshop is reached.
      }
    })();
  }, [piece]);
}

/** Reads words out by the machine's own voice. */
export function readOut(words: string): void {
  if (!('speechSynthesis' in window)) return;
  window.speechSynthesis.cancel();
  const utterance = new SpeechSynthesisUtterance(words);
  utterance.lang = 'en-GB';
  window.speechSynthesis.speak(utterance);
}
