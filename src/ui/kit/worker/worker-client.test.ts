import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { NotAnswered, workerClient, type WorkerClient, type WorkerLike } from './worker-client';

/** A worker that does what the test tells it. */
class Puppet implements WorkerLike {
  onmessage: WorkerLike['onmessage'] = null;
  onerror: WorkerLike['onerror'] = null;
  asked: unknown[] = [];
  ended = false;
  postMessage(question: unknown): void {
    this.asked.push(question);
  }
  terminate(): void {
    this.ended = true;
  }
  say(data: unknown): void {
    this.onmessage?.({ data });
  }
}

let made: Puppet[];
let client: WorkerClient;

beforeEach(() => {
  vi.useFakeTimers();
  made = [];
  client = workerClient({
    make: () => {
      made.push(new Puppet());
      return made.at(-1)!;
    },
    limit: 1000,
  });
});
afterEach(() => vi.useRealTimers());

const why = async (asked: Promise<unknown>): Promise<string> =>
  asked.then(
    () => 'answered',
    (error: unknown) => (error as NotAnswered).why,
  );

describe('a client of one worker', () => {
  it('makes it when it is first asked, and puts one question at a time', async () => {
    expect(made).toEqual([]);
    const [one, two] = [client.ask<number>('one'), client.ask<number>('two')];
    expect(made).toHaveLength(1);
    expect(made[0]!.asked).toEqual(['one']);
    made[0]!.say({ answer: 1 });
    expect(await one).toBe(1);
    expect(made[0]!.asked).toEqual(['one', 'two']);
    made[0]!.say({ answer: 2 });
    expect(await two).toBe(2);
    expect(made).toHaveLength(1);
  });

  it('passes on how far it is, and what it says that it is still alive', async () => {
    const listed: unknown[] = [];
    const asked = client.ask('slow', (progress) => listed.push(progress));
    for (let k = 1; k <= 5; k++) {
      vi.advanceTimersByTime(900);
      made[0]!.say({ done: k, of: 5 });
    }
    expect(listed).toHaveLength(5);
    made[0]!.say({ answer: 'done' });
    expect(await asked).toBe('done');
  });

  it('ends one that falls silent, says so, and puts the next question to a new one', async () => {
    const [hangs, next] = [client.ask('hangs'), client.ask('next')];
    const first = why(hangs);
    vi.advanceTimersByTime(1001);
    expect(await first).toBe('too-long');
    expect(made[0]!.ended).toBe(true);
    expect(made).toHaveLength(2);
    // What the ended one still says is nobody's answer.
    made[0]!.say({ answer: 'too late' });
    made[1]!.say({ answer: 'fresh' });
    expect(await next).toBe('fresh');
  });

  it('ends one that breaks, and one whose job goes wrong goes on', async () => {
    const wrong = why(client.ask('wrong'));
    made[0]!.say({ wrong: 'this cannot be' });
    expect(await wrong).toBe('broken');
    expect(made[0]!.ended).toBe(false);
    const breaks = why(client.ask('breaks'));
    made[0]!.onerror?.(new Error('out of memory'));
    expect(await breaks).toBe('broken');
    expect(made[0]!.ended).toBe(true);
    const after = client.ask('after');
    made[1]!.say({ answer: true });
    expect(await after).toBe(true);
  });

  it('given up, what is under way and what waits end; a worker at rest stays', async () => {
    const both = [why(client.ask('a')), why(client.ask('b'))];
    client.giveUp();
    expect(await Promise.all(both)).toEqual(['given-up', 'given-up']);
    expect(made[0]!.ended).toBe(true);
    const again = client.ask('c');
    made[1]!.say({ answer: 1 });
    await again;
    client.giveUp();
    expect(made[1]!.ended).toBe(false);
    client.close();
    expect(made[1]!.ended).toBe(true);
    vi.advanceTimersByTime(5000);
  });
});
