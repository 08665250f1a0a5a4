import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ROLES } from '../../core/house';
import { database } from '../../data/database';
import { addMember, openSession } from '../../data/members';
import { COOKIE, FROM } from '../entrance/entrance';
import { dispatch, routeAt } from './dispatch';
import { METHODS } from './route';
import { ROUTES } from './routes';

const folder = mkdtempSync(join(tmpdir(), 'fovea-'));
beforeAll(() => {
  process.env.FOVEA_DATA = folder;
});
afterAll(() => {
  database().close();
  rmSync(folder, { recursive: true });
});

const cookieOf = (role: (typeof ROLES)[number]['id']): string => {
  const db = database();
  return `${COOKIE}=${openSession(db, addMember(db, { name: role, role, passcode: 'x' }).id)}`;
};
const asked = async (method: string, path: string, headers: Record<string, string> = {}) => {
  const body = method === 'GET' || method === 'HEAD' ? {} : { body: '{' };
  const response = await dispatch(new Request(`http://127.0.0.1${path}`, { method, headers, ...body }), path.slice(1).split('/'));
  const text = await response.text();
  return { status: response.status, message: text.startsWith('{') ? (JSON.parse(text) as { message?: string }).message : undefined };
};

describe('the table of routes', () => {
  it('finds every route by its own path, one that is written out before one that leaves a part open', () => {
    for (const path of Object.keys(ROUTES)) {
      const found = routeAt(
        path
          .slice(1)
          .replace(/\{(\w+)\}/g, 'of-$1')
          .split('/'),
      );
      expect(found?.route, path).toBe(ROUTES[path]);
      for (const [name, value] of Object.entries(found!.params)) expect(value).toBe(`of-${name}`);
    }
    expect(routeAt(['api', 'cutter', 'templates'])!.params).toEqual({});
    expect(routeAt(['api', 'pieces', 'p-1', 'nothing'])).toBeNull();
    expect(routeAt([])).toBeNull();
  });

  it('has every address that a page asks for, and nothing of the interface answers beside it', () => {
    const pages = readdirSync('src/ui', { recursive: true, encoding: 'utf8' }).filter((path) => /(?<!test)\.tsx?$/.test(path));
    const addresses = pages.flatMap((path) =>
      [...readFileSync(join('src/ui', path), 'utf8').matchAll(/['"`](\/api\/[^'"`?]*)/g)].map(([, address]) => address!),
    );
    expect(addresses.length).toBeGreaterThan(60);
    // A part of its own stands for any name; what is put on to a part may be nothing.
    const written = (address: string): string => address.replace(/\/\$\{[^}]*\}/g, '/x').replace(/\$\{[^}]*\}/g, '');
    for (const address of addresses) expect(routeAt(written(address).slice(1).split('/')), address).not.toBeNull();
    const files = readdirSync('src/app', { recursive: true, encoding: 'utf8' }).filter((path) => path.endsWith('route.ts'));
    for (const path of files) expect(readFileSync(join('src/app', path), 'utf8'), path).toContain("from '@/server/api/dispatch'");
  });

  it('says in words that there is nothing, or nothing that answers so', async () => {
    expect(await asked('GET', '/api/nothing')).toMatchObject({ status: 404, message: expect.stringContaining('nothing at this address') });
    expect(await asked('PUT', '/api/floor')).toMatchObject({ status: 405, message: expect.stringContaining('PUT') });
    expect((await asked('HEAD', '/api/store')).status).toBe(200);
  });

  it('lets nobody in who has not come in, but to the door', async () => {
    for (const [path, methods] of Object.entries(ROUTES))
      for (const method of METHODS) {
        const route = methods[method];
        if (!route || route.door) continue;
        expect((await asked(method.toUpperCase(), path, { [FROM]: '10.0.0.5' })).status, `${method} ${path}`).toBe(401);
      }
    expect((await asked('POST', '/api/enter', { [FROM]: '10.0.0.5' })).status).toBe(400);
  });

  // What each may: an apprentice ticks, times and photographs; a hand does the work; money and the house are the owner's.
  it.each([
    ['PUT', '/api/pieces/1/ticks', 'apprentice'],
    ['POST', '/api/pieces/1/notes', 'apprentice'],
    ['POST', '/api/photos', 'apprentice'],
    ['GET', '/api/pieces', 'apprentice'],
    ['DELETE', '/api/timers/1', 'apprentice'],
    ['PUT', '/api/pieces/1', 'hand'],
    ['DELETE', '/api/pieces/1', 'hand'],
    ['POST', '/api/pieces/1/finish', 'hand'],
    ['POST', '/api/import', 'hand'],
    ['PUT', '/api/diary', 'hand'],
    ['PUT', '/api/diary/pins', 'hand'],
    ['POST', '/api/cut/j/lays', 'hand'],
    ['POST', '/api/store/stock', 'hand'],
    ['PUT', '/api/jobs/1/pieces', 'hand'],
    ['POST', '/api/cutter', 'hand'],
    ['PUT', '/api/house', 'owner'],
    ['PUT', '/api/diary/shop', 'owner'],
    ['POST', '/api/jobs', 'owner'],
    ['POST', '/api/store/wares', 'owner'],
    ['DELETE', '/api/store/stock/1', 'owner'],
    ['POST', '/api/buy/j/orders', 'owner'],
    ['PUT', '/api/orders/1', 'owner'],
    ['GET', '/api/backups', 'owner'],
    ['GET', '/api/members', 'owner'],
    ['POST', '/api/members', 'owner'],
    ['POST', '/api/restore', 'owner'],
    ['POST', '/api/demo', 'owner'],
    ['POST', '/api/backups/fovea-2026-01-01T00-00-00Z.tar.gz', 'owner'],
    ['PUT', '/api/network', 'owner'],
  ] as const)('%s %s is for %s at least', async (method, path, least) => {
    const ranks = ['apprentice', 'hand', 'owner'] as const;
    for (const role of ranks.slice(0, ranks.indexOf(least))) {
      const answered = await asked(method, path, { [FROM]: '10.0.0.5', cookie: cookieOf(role) });
      expect(answered, role).toMatchObject({ status: 403, message: expect.stringMatching(/^(That is not for|Only the owner)/) });
    }
    const { may } = routeAt(path.slice(1).split('/'))!.route[method.toLowerCase() as 'get']!;
    expect(may ?? (method === 'GET' ? 'apprentice' : 'owner')).toBe(least);
  });
});

describe('what is sent', () => {
  const sent = async (method: string, path: string, body: string) => {
    const response = await dispatch(new Request(`http://127.0.0.1${path}`, { method, body }), path.slice(1).split('/'));
    return { status: response.status, message: ((await response.json()) as { message?: string }).message ?? '' };
  };

  it.each([
    ['PUT', '/api/house', '{', 400, 'not JSON'],
    ['PUT', '/api/house', '[]', 400, 'not a JSON object'],
    ['PUT', '/api/house', '{}', 422, '“key” is missing'],
    ['PUT', '/api/settings', '{"currency":"gold"}', 400, 'a code of three letters'],
    ['PUT', '/api/settings', '{"words":"welsh"}', 422, 'words'],
    ['PUT', '/api/house', '{"key":"grip","value":"4"}', 422, '“value” must be a number or nothing'],
    ['PUT', '/api/settings', '{"unit":"ell"}', 422, '“unit” is one of mm'],
    ['PUT', '/api/pieces/1/ticks', '{"unit":1.5,"step":"foam","done":true}', 422, '“unit” must be a whole number'],
    ['PUT', '/api/pieces/1/ticks', '{"unit":0,"step":"foam","done":true}', 422, '“unit” is at least 1'],
    ['POST', '/api/cutter', '{"piece":"x","template":"y","feed":1000}', 422, 'Confirm first that the bed is clear'],
    ['POST', '/api/members', `{"name":"${'x'.repeat(41)}","role":"hand"}`, 422, '“name” has at most 40 characters'],
    ['POST', '/api/pieces', `{"piece":"${'x'.repeat(1_100_000)}"}`, 413, 'larger than'],
  ])('%s %s with %.40s: %i, %s', async (method, path, body, status, words) => {
    const answered = await sent(method, path, body);
    expect(answered.status).toBe(status);
    expect(answered.message).toContain(words);
  });

  it('is read by its route as it came, and what nobody knows is left alone', async () => {
    expect((await sent('PUT', '/api/settings', '{"unit":"cm","colour":"red"}')).status).toBe(200);
    expect((await sent('PUT', '/api/house', '{"key":"grip","value":40}')).status).toBe(200);
  });
});
