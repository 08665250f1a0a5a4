import QuickLRU from 'quick-lru';
import type { Keep, Reads } from '../keep';

/** How many answers of a step are kept where nothing is said: today's, and those of a few trials and variants. */
const USUAL = 12;

/** Steps of which one piece asks many. */
const MORE: Record<string, number> = { section: 1500, foam: 120, 'panel mesh': 160, 'laid flat': 160, tidied: 120 };

/** What a step has been asked and how often its work was done. */
export type Count = { asked: number; worked: number };

/** Keeps what steps came to, by exactly what they read; bounded. */
export type Keeper = {
  keep: Keep;
  counts: ReadonlyMap<string, Count>;
  /** of what a step might be asked: where in the list each that it does not know yet comes first */
  missing: (step: string, asked: readonly Reads[]) => number[];
  /** takes what a step came to elsewhere */
  put: (step: string, reads: Reads, value: unknown) => void;
  /** forgets how often, not what */
  resetCounts: () => void;
  /** forgets every answer but those of some steps */
  forgetBut: (steps: readonly string[]) => void;
};

/** Numbers as text that is exact and short to make: the bytes they are held in. */
function bytesOf(values: ArrayBufferView): string {
  const bytes = new Uint8Array(values.buffer, values.byteOffset, values.byteLength);
  let text = '';
  const chunk = 8192;
  for (let i = 0; i < bytes.length; i += chunk) text += String.fromCharCode(...bytes.subarray(i, i + chunk));
  return text;
}

/**
 * A keeper with nothing in it yet. What a step came to is known again by itself: a step that reads it need not be told
 * what is in it.
 *
 * @param [room] how many times as many answers are kept as one piece and its trials need
 */
export function createKeeper(room = 1): Keeper {
  const stores = new Map<string, QuickLRU<string, { value: unknown }>>();
  const counts = new Map<string, Count>();
  const numbers = new WeakMap<object, number>();
  let last = 0;

  const nameOf = (value: unknown): string => {
    if (value === null) return 'n';
    if (typeof value === 'number') return `${value}`;
    if (typeof value === 'string') return JSON.stringify(value);
    if (typeof value === 'boolean') return value ? 't' : 'f';
    if (value === undefined) return 'u';
    if (typeof value === 'function') throw new Error('A step cannot be kept by a function');
    const known = numbers.get(value);
    if (known !== undefined) return `#${known}`;
    if (ArrayBuffer.isView(value)) return `b${value.byteLength}:${bytesOf(value)}`;
    if (Array.isArray(value)) return `[${value.map(nameOf).join()}]`;
    return `{${Object.entries(value)
      .map(([key, inner]) => `${key}:${nameOf(inner)}`)
      .join()}}`;
  };

  const storeOf = (step: string): QuickLRU<string, { value: unknown }> => {
    let store = stores.get(step);
    if (!store) stores.set(step, (store = new QuickLRU({ maxSize: room * (MORE[step] ?? USUAL) })));
    return store;
  };
  const put = (step: string, key: string, value: unknown): void => {
    if (typeof value === 'object' && value !== null && !numbers.has(value)) numbers.set(value, ++last);
    storeOf(step).set(key, { value });
  };
  const keyOf = (reads: Reads): string => Object.values(reads).map(nameOf).join(';');
  const keep: Keep = (step, reads, work) => {
    let count = counts.get(step);
    if (!count) counts.set(step, (count = { asked: 0, worked: 0 }));
    count.asked += 1;
    const key = keyOf(reads);
    const found = storeOf(step).get(key);
    if (found) return found.value as ReturnType<typeof work>;
    count.worked += 1;
    const value = work(reads, keep);
    put(step, key, value);
    return value;
  };
  return {
    keep,
    counts,
    missing: (step, asked) => {
      const store = storeOf(step);
      const seen = new Set<string>();
      return asked.flatMap((reads, i) => {
        const key = keyOf(reads);
        if (store.has(key) || seen.has(key)) return [];
        seen.add(key);
        return [i];
      });
    },
    put: (step, reads, value) => put(step, keyOf(reads), value),
    resetCounts: () => counts.clear(),
    forgetBut: (steps) => [...stores.keys()].filter((step) => !steps.includes(step)).forEach((step) => stores.delete(step)),
  };
}
