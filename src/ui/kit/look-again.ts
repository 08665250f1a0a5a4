'use client';

import { useEffect } from 'react';

/** What others did meanwhile is looked for every so often, ms. */
const EVERY = 5000;

/**
 * Looks at once, every so often, and when the page or the network is come back to.
 *
 * @param look the same as long as what it looks for is
 * @param [every] ms
 */
export function useLookAgain(look: () => Promise<void>, every = EVERY): void {
  useEffect(() => {
    const again = (): void => void look();
    again();
    const timer = setInterval(again, every);
    const back = ['online', 'focus'] as const;
    for (const event of back) window.addEventListener(event, again);
    return () => {
      clearInterval(timer);
      for (const event of back) window.removeEventListener(event, again);
    };
  }, [look, every]);
}
