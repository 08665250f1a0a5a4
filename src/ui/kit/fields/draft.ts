'use client';

import { useEffect, useState } from 'react';

/**
 * Text in a field that has not become a value yet. It is kept in the browser's session, so that a figure that was
 * refused is still there after a reload.
 *
 * @param key names the field across reloads
 */
export function useDraft(key: string): [string | null, (text: string | null) => void] {
  const [draft, set] = useState<string | null>(null);
  useEffect(() => {
    // Read after the first paint: the server cannot know it.
    const saved = sessionStorage.getItem(key);
    if (saved !== null) set(saved);
  }, [key]);
  const change = (text: string | null) => {
    set(text);
    if (text === null) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, text);
  };
  return [draft, change];
}
