import { describe, expect, it, vi } from 'vitest';
import { nextId, sendAll, type Keeping, type Sending } from './queue';

/** Kept in the hand instead of the browser. */
function inHand(all: Sending[]): Keeping & { all: () => Promise<Sending[]> } {
  const saved = new Map(all.map((sending) => [sending.id, sending]));
  const refused = new Map<string, Sending>();
  return {
    all: () => Promise.resolve([...saved.values()].sort((a, b) => (a.id < b.id ? -1 : 1))),
    put: (sending) => Promise.resolve(void saved.set(sending.id, sending)),
    drop: (id) => Promise.resolve(void saved.delete(id)),
    asides: () => Promise.resolve([...refused.values()]),
    setAside: (sending) => Promise.resolve(void refused.set(sending.id, sending)),
    dropAside: (id) => Promise.resolve(void refused.delete(id)),
  };
}
const tick = (id: string, done: boolean): Sending => ({
  id,
  method: 'PUT',
  url: '/api/pieces/p/ticks',
  body: { unit: 1, step: 'foam', done },
});
const answer = (status: number, body: unknown = {}) => Promise.resolve(new Response(JSON.stringify(body), { status }));

describe('what is kept at the bench until the workshop is reached', () => {
  it('ids sort by when they were made, also within one moment', () => {
    const ids = Array.from({ length: 50 }, () => nextId(1_000_000));
    expect([...ids].sort()).toEqual(ids);
    expect(new Set(ids).size).toBe(50);
    for (const id of ids) expect(id).toMatch(/^[0-9a-z-]{8,60}$/);
  });

  it('goes in its order, once, and is then gone', async () => {
    const keeping = inHand([tick('b', false), tick('a', true)]);
    const reach = vi.fn<(url: string, init?: RequestInit) => Promise<Response>>(() => answer(200));
    expect(await sendAll(keeping, reach as unknown as typeof fetch)).toEqual({ sent: 2, left: 0, refused: [] });
    expect(reach.mock.calls.map(([, init]) => (JSON.parse(String(init!.body)) as { done: boolean }).done)).toEqual([true, false]);
    expect(await keeping.all()).toEqual([]);
    await sendAll(keeping, reach as unknown as typeof fetch);
    expect(reach).toHaveBeenCalledTimes(2);
  });

  it('what does not reach the workshop stays, and what comes after it waits', async () => {
    const keeping = inHand([tick('a', true), tick('b', false), tick('c', true)]);
    let calls = 0;
    const reach = (() => (++calls === 2 ? Promise.reject(new TypeError('no network')) : answer(200))) as unknown as typeof fetch;
    expect(await sendAll(keeping, reach)).toMatchObject({ sent: 1, left: 2 });
    expect((await keeping.all()).map(({ id }) => id)).toEqual(['b', 'c']);
    // A workshop that stumbles is asked again; one that refuses is not.
    const stumbles = (() => answer(503)) as unknown as typeof fetch;
    expect(await sendAll(keeping, stumbles)).toMatchObject({ sent: 0, left: 2, refused: [] });
    const refuses = (() => answer(400, { message: 'That step is not on the run sheet' })) as unknown as typeof fetch;
    expect(await sendAll(keeping, refuses)).toEqual({
      sent: 2,
      left: 0,
      refused: ['That step is not on the run sheet', 'That step is not on the run sheet'],
    });
    expect(await keeping.all()).toEqual([]);
    // What is refused for good is set aside, whole and with its reason.
    expect(await keeping.asides()).toEqual([
      { ...tick('b', false), why: 'That step is not on the run sheet' },
      { ...tick('c', true), why: 'That step is not on the run sheet' },
    ]);
  });

  it.each([401, 403, 408, 429, 500, 503])(
    'after %i it waits in its order: somebody signs in again, and all of it is sent',
    async (status) => {
      const keeping = inHand([tick('a', true), tick('b', false)]);
      expect(await sendAll(keeping, (() => answer(status)) as unknown as typeof fetch)).toEqual({ sent: 0, left: 2, refused: [] });
      expect((await keeping.all()).map(({ id }) => id)).toEqual(['a', 'b']);
      expect(await keeping.asides()).toEqual([]);
      expect(await sendAll(keeping, (() => answer(200)) as unknown as typeof fetch)).toEqual({ sent: 2, left: 0, refused: [] });
    },
  );

  it('of a piece that is gone what was ticked is set aside, and holds nothing else back', async () => {
    const keeping = inHand([{ ...tick('a', true), url: '/api/pieces/gone/ticks' }, tick('b', false)]);
    const reach = ((url: string) =>
      url.includes('gone') ? answer(404, { message: 'Not on the floor' }) : answer(200)) as unknown as typeof fetch;
    expect(await sendAll(keeping, reach)).toEqual({ sent: 2, left: 0, refused: ['Not on the floor'] });
    expect((await keeping.asides()).map(({ id, why }) => [id, why])).toEqual([['a', 'Not on the floor']]);
  });

  it('a photo goes before the note that it is on; one that is refused leaves its words', async () => {
    const note: Sending = {
      id: 'n',
      method: 'POST',
      url: '/api/pieces/p/notes',
      body: { note: 'x' },
      photo: new Blob(['p'], { type: 'image/png' }),
    };
    const calls: [string, unknown][] = [];
    const reach = ((url: string, init: RequestInit) => {
      calls.push([url, init.body]);
      return url === '/api/photos' ? answer(201, { name: 'abc.png' }) : answer(201);
    }) as unknown as typeof fetch;
    await sendAll(inHand([note]), reach);
    expect(calls.map(([url]) => url)).toEqual(['/api/photos', '/api/pieces/p/notes']);
    expect(JSON.parse(String(calls[1]![1]))).toEqual({ note: 'x', photo: 'abc.png' });
    const noPhoto = ((url: string) =>
      url === '/api/photos' ? answer(422, { message: 'This is no photo' }) : answer(201)) as unknown as typeof fetch;
    expect(await sendAll(inHand([note]), noPhoto)).toEqual({ sent: 1, left: 0, refused: ['This is no photo'] });
  });
});
