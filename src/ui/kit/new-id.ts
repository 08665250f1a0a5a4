import { useCallback, useRef } from 'react';

/** An id that is new: `crypto.randomUUID` is missing where a workshop is opened over plain HTTP. */
export const newId = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');

/**
 * Ids of deeds, one for each: pressed again while its answer is lost, a deed keeps its id and counts once.
 *
 * @returns the id of a deed, by what would be done
 */
export function useIds(): (what: string) => string {
  const ids = useRef(new Map<string, string>());
  return useCallback((what) => {
    const id = ids.current.get(what) ?? newId();
    ids.current.set(what, id);
    return id;
  }, []);
}
