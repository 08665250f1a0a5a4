/** Takes turns at something of which there are only so many: the first first. Who gives up while waiting loses the turn, and nobody else does. */
export type Turns = {
  /** waits for a turn and gives back what ends it; `signal` gives it up, as long as it has not begun */
  take: (signal?: AbortSignal) => Promise<() => void>;
  /** how many wait */
  waiting: () => number;
};

/** What giving up ends with. */
const gaveUp = (): Error => Object.assign(new Error('Cancelled.'), { name: 'AbortError' });

/**
 * Turns at something.
 *
 * @param places how many may have theirs at once
 */
export function createTurns(places: number): Turns {
  let free = places;
  const queue: (() => void)[] = [];
  const end = (): (() => void) => {
    let over = false;
    return () => {
      if (over) return;
      over = true;
      const next = queue.shift();
      if (next) next();
      else free += 1;
    };
  };
  return {
    waiting: () => queue.length,
    take: (signal) => {
      if (signal?.aborted) return Promise.reject(gaveUp());
      if (free > 0) {
        free -= 1;
        return Promise.resolve(end());
      }
      return new Promise((resolve, reject) => {
        const begin = (): void => {
          signal?.removeEventListener('abort', leave);
          resolve(end());
        };
        const leave = (): void => {
          queue.splice(queue.indexOf(begin), 1);
          reject(gaveUp());
        };
        queue.push(begin);
        signal?.addEventListener('abort', leave, { once: true });
      });
    },
  };
}
