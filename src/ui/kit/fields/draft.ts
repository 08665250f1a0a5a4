'use client';

import { useEffect, useState } from 'react';

/**
 * Text in a field that has not become a value yet. It is kept in the browser's session, so that a figure that was
 * refused is still there after a reload.
 *
 * @param key names the field across reloads
 * @returns the text, how to change it, and whether it was typed before the page was loaded and not touched since
 */
export function useDraft(key: string): [string | null, (text: string | null) => void, restored: boolean] {
  const [draft, set] = useState<string | null>(null);
  const [restored, setRestored] = useState(false);
  useEffect(() => {
    // Read after the first paint: the server cannot know it.
    const saved = sessionStorage.getItem(key);
    if (saved === null) return;
    set(saved);
    setRestored(true);
  }, [key]);
  const change = (text: string | null) => {
    set(text);
    setRestored(false);
    if (text === null) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, text);
  };
  return [draft, change, restored];
}
