import { request as ask } from 'node:http';
import { expect } from '@playwright/test';
import { origin, port, test } from './workshop';
import { place } from './help';

type Answer = { status: number; body: string; headers: Record<string, string | string[] | undefined> };

/** A request exactly as it is written here: no browser mends its address or its headers. */
function raw(method: string, path: string, headers: Record<string, string> = {}, body = ''): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const sent = ask(
      { host: '127.0.0.1', port: port(), method, path, headers: { host: `127.0.0.1:${port()}`, ...headers } },
      (response) => {
        let text = '';
        response.setEncoding('utf8');
        response.on('data', (chunk: string) => (text += chunk));
        response.on('end', () => resolve({ status: response.statusCode!, body: text, headers: response.headers }));
      },
    );
    sent.on('error', reject);
    sent.end(body);
  });
}

const local = () => ({ origin: origin(), 'content-type': 'application/json' });

test('what no address and no method of ours can be is answered in words, without a stumble, a path or a stack', async () => {
  for (const [method, path, status] of [
    ['TRACE', '/api/pieces/x', 405],
    ['OPTIONS', '/', 405],
    ['PATCH', '/api/pieces/x', 405],
    ['GET', '/api/pieces/%E0%A4%A', 400],
    ['GET', '/piece/%E0%A4%A', 400],
    ['GET', '/api/pieces/%00', 400],
    ['GET', `/${'x'.repeat(5000)}`, 414],
    ['GET', '/api/log?from=1e308', 400],
    ['GET', '/api/floor?from=-1', 400],
    ['GET', '/api/backups/..%2f..%2fetc', 404],
    ['GET', '/api/photos/..%2f..%2fetc%2fpasswd', 404],
    ['GET', '/api/pieces/nobody/look', 404],
  ] as const) {
    const { status: is, body } = await raw(method, path);
    expect([method, path.slice(0, 40), is]).toEqual([method, path.slice(0, 40), status]);
    expect((JSON.parse(body) as { message: string }).message.length).toBeGreaterThan(12);
    expect(body).not.toMatch(/node_modules|\/work|\n\s+at /);
  }
});

test('a body that is too deep, too large or no JSON is refused in words', async () => {
  const deep = `{"piece":${'['.repeat(100_000)}${']'.repeat(100_000)}}`;
  for (const [body, status] of [
    [deep, 422],
    ['{"piece":1e308}', 422],
    ['{', 400],
    ['[]', 400],
    [JSON.stringify({ piece: 'x'.repeat(1_100_000) }), 413],
    [JSON.stringify({ piece: {}, save: '../../x' }), 422],
  ] as const)
    expect([body.slice(0, 30), (await raw('POST', '/api/pieces', local(), body)).status]).toEqual([body.slice(0, 30), status]);
});

test('a page elsewhere may link here and ask for nothing', async () => {
  const foreign = { ...local(), 'sec-fetch-site': 'cross-site' };
  expect((await raw('POST', '/api/pieces', foreign, '{}')).status).toBe(403);
  expect((await raw('GET', '/api/pieces', { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' })).status).toBe(403);
  expect((await raw('GET', '/', { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' })).status).toBe(200);
});

test('nobody is the owner by standing behind another server, or by saying where they come from', async () => {
  // Not on the network: what another server passes on is refused, under whatever name.
  const passedOn = await raw('GET', '/api/pieces', { 'x-forwarded-for': '10.0.0.5' });
  expect(passedOn.status).toBe(403);
  expect(passedOn.body).not.toContain('revision');
  expect((await raw('GET', '/api/members', { forwarded: 'for=10.0.0.5' })).status).toBe(403);
  // What a request says of itself there is thrown away: on the own machine it is the own machine.
  expect((await raw('GET', '/api/pieces', { 'x-fovea-from': '' })).status).toBe(200);
  expect((await raw('GET', '/api/pieces', { 'x-fovea-from': '10.0.0.5' })).status).toBe(200);
});

test('a photo of fifteen megabytes comes through whole and is served as a file; one of twenty-one is refused', async ({ page }) => {
  await page.goto('/');
  const head = Buffer.from('ffd8ffe000104a46494600010100000100010000ffc0001108001000100301110002110103110', 'hex');
  const photo = (size: number): Buffer => Buffer.concat([head, Buffer.alloc(40), Buffer.from('ffd9', 'hex'), Buffer.alloc(size, 7)]);
  const headers = { origin: new URL(page.url()).origin };
  const saved = await page.request.post('/api/photos', { data: photo(15_000_000), headers });
  expect(saved.status()).toBe(201);
  const { name } = (await saved.json()) as { name: string };
  const back = await page.request.get(`/api/photos/${name}`);
  expect((await back.body()).equals(photo(15_000_000))).toBe(true);
  expect(back.headers()).toMatchObject({
    'x-content-type-options': 'nosniff',
    'content-disposition': expect.stringContaining('attachment'),
  });
  const large = await page.request.post('/api/photos', { data: photo(20_500_000), headers });
  expect(large.status()).toBe(413);
  expect(await large.text()).toContain('20 MB');
});

test('the floor comes a stretch at a time, and one new piece is drawn without a plan in the way', async ({ page }) => {
  await page.goto('/');
  const names = Array.from({ length: 30 }, (_, k) => `Stretch ${String(k).padStart(2, '0')}`);
  for (const name of names) await place(page, { name });
  await page.goto('/');
  // The first stretch is in the page itself; the others follow by themselves.
  for (const name of [names[0]!, names.at(-1)!]) await expect(page.getByRole('link', { name: new RegExp(name) }).first()).toBeAttached();
  const row = page.locator('li', { hasText: names.at(-1)! });
  await row.scrollIntoViewIfNeeded();
  await expect(row.getByRole('img')).toBeVisible({ timeout: 90_000 });
  await expect(row).toContainText('444 mm × 420 mm');
});

test('what the workshop is asked for is told by the workshop itself', async ({ page }) => {
  await page.goto('/');
  const health = (await (await page.request.get('/health')).json()) as Record<string, unknown>;
  expect(health).toMatchObject({ ok: true, littleRoom: false });
  const api = (await (await page.request.get('/api/openapi.json')).json()) as { openapi: string; paths: Record<string, unknown> };
  expect(api.openapi).toBe('3.1.0');
  expect(Object.keys(api.paths)).toContain('/api/pieces/{id}');
});
