import { describe, expect, it } from 'vitest';
import { createTurns } from './turns';

describe('turns', () => {
  it('are taken in the order in which they were asked for, no more at once than there are places', async () => {
    const turns = createTurns(2);
    const began: number[] = [];
    let [now, most] = [0, 0];
    const work = async (k: number): Promise<void> => {
      const over = await turns.take();
      began.push(k);
      most = Math.max(most, ++now);
      await new Promise((resolve) => setTimeout(resolve, 3));
      now -= 1;
      over();
    };
    await Promise.all(Array.from({ length: 9 }, (_, k) => work(k)));
    expect(began).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    expect(most).toBe(2);
  });

  it('given up while waiting are gone; the others go on', async () => {
    const turns = createTurns(1);
    const first = await turns.take();
    const stop = new AbortController();
    const second = turns.take(stop.signal).catch((error: Error) => error.name);
    const third = turns.take();
    stop.abort();
    expect(await second).toBe('AbortError');
    expect(turns.waiting()).toBe(1);
    first();
    (await third)();
    // The place is free again, once.
    (await turns.take())();
    expect(turns.waiting()).toBe(0);
  });

  it('given up before or after are nothing special, and ended twice are ended once', async () => {
    const turns = createTurns(1);
    await expect(turns.take(AbortSignal.abort())).rejects.toThrow('Cancelled');
    const stop = new AbortController();
    const over = await turns.take(stop.signal);
    stop.abort();
    let begun = false;
    const next = turns.take().then((end) => {
      begun = true;
      return end;
    });
    await new Promise((resolve) => setTimeout(resolve, 5));
    // What has begun keeps its place until it ends.
    expect(begun).toBe(false);
    over();
    over();
    (await next)();
    const [a, b] = [await turns.take(), turns.take()];
    expect(turns.waiting()).toBe(1);
    a();
    (await b)();
  });
});
