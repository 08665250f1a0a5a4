import { afterEach, describe, expect, it, vi } from 'vitest';
import { send } from './api';

type Asked = { url: string; method: string; type: string; body: unknown; keepalive: boolean };

/** Answers instead of the server; what it was asked is kept. */
function server(answer: () => Response | Promise<Response>): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    const type = (init.headers as Record<string, string>)['content-type']!;
    asked.push({ url, method: init.method!, type, body: init.body, keepalive: init.keepalive! });
    return answer();
  });
  return asked;
}

afterEach(() => vi.unstubAllGlobals());

describe('a change sent to the server', () => {
  it('goes as JSON, with what it says and nothing else', async () => {
    const asked = server(() => Response.json({ id: 'p-1' }, { status: 201 }));
    expect(await send<{ id: string }>('POST', '/api/pieces', { piece: { name: 'Stool' } })).toEqual({
      ok: true,
      status: 201,
      data: { id: 'p-1' },
    });
    expect(asked).toEqual([
      { url: '/api/pieces', method: 'POST', type: 'application/json', body: '{"piece":{"name":"Stool"}}', keepalive: true },
    ]);
  });

  it('text is sent as it is: a document that was read from a file is not written anew', async () => {
    const asked = server(() => Response.json({}));
    const text = '{ "schema" : "fovea.piece/3" ,\n "name":"Überzug" }';
    await send('PUT', '/api/import', text);
    expect(asked[0]!.body).toBe(text);
  });

  it('nothing to say is an empty object, which every route can read', async () => {
    const asked = server(() => Response.json({}));
    await send('DELETE', '/api/pieces/p-1');
    expect(asked[0]!.body).toBe('{}');
  });

  it('a refusal is an answer: its status and its words', async () => {
    server(() => Response.json({ message: 'Somebody else changed it' }, { status: 409 }));
    expect(await send('PUT', '/api/pieces/p-1', {})).toEqual({ ok: false, status: 409, data: { message: 'Somebody else changed it' } });
  });

  it('what is no JSON is said in words instead of thrown: a proxy’s page, an empty body', async () => {
    server(() => new Response('<html>Bad gateway</html>', { status: 502 }));
    expect(await send('PUT', '/api/settings', {})).toEqual({ ok: false, status: 502, data: { message: 'The server answered 502' } });
    server(() => new Response(null, { status: 204 }));
    expect((await send('DELETE', '/api/photos/x')).data).toEqual({ message: 'The server answered 204' });
  });

  it('a server that cannot be reached is thrown, so that what was typed is kept', async () => {
    server(() => Promise.reject(new TypeError('Failed to fetch')));
    await expect(send('PUT', '/api/pieces/p-1', {})).rejects.toThrow(TypeError);
  });

  it('a page that is left lets it go on, as much at a time as a browser takes; the rest goes as usual', async () => {
    const answers: (() => void)[] = [];
    const asked = server(() => new Promise((resolve) => answers.push(() => resolve(Response.json({})))));
    // An umlaut is two bytes: it is bytes that browsers count.
    const half = 'ü'.repeat(14_000);
    const first = [send('PUT', '/a', half), send('PUT', '/b', half), send('PUT', '/c', half), send('PUT', '/d', '{}')];
    expect(asked.map(({ keepalive }) => keepalive)).toEqual([true, true, false, true]);
    answers.forEach((go) => go());
    await Promise.all(first);
    // Once they have arrived there is room again; what alone is too big never goes on.
    const second = [send('PUT', '/e', half), send('PUT', '/f', 'x'.repeat(60_001))];
    expect(asked.slice(4).map(({ keepalive }) => keepalive)).toEqual([true, false]);
    answers.slice(4).forEach((go) => go());
    await Promise.all(second);
  });

  it('what did not arrive makes room too', async () => {
    const asked = server(() => Promise.reject(new TypeError('Failed to fetch')));
    for (let k = 0; k < 3; k++) await expect(send('PUT', '/a', 'x'.repeat(50_000))).rejects.toThrow(TypeError);
    expect(asked.map(({ keepalive }) => keepalive)).toEqual([true, true, true]);
  });
});
