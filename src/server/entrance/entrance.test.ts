import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { database } from '../../data/database';
import { addMember, closeSession, listMembers, memberOf, openSession, removeMember } from '../../data/members';
import { COOKIE, deleteMember, FROM, isDoor, lanAddresses, mayNot, postEnter, postMember, whoIs } from './entrance';
import { readMembers } from './network';
import { refuse } from './guard';
import { answer } from '../http';
import { fromOf } from '../../../scripts/from.mjs';

const folder = mkdtempSync(join(tmpdir(), 'fovea-'));
beforeAll(() => {
  process.env.FOVEA_DATA = folder;
});
afterAll(() => {
  delete process.env.FOVEA_LAN;
  database().close();
  rmSync(folder, { recursive: true });
});

const request = (body: unknown, from?: string): Request =>
  new Request('http://127.0.0.1/', { method: 'POST', body: JSON.stringify(body), headers: from ? { [FROM]: from } : {} });
const letIn = async (name: string, role: string): Promise<{ id: string; passcode: string }> =>
  (await (await answer(() => postMember(request({ name, role })))).json()) as { id: string; passcode: string };
const enter = (passcode: unknown, from: string, now?: number): Promise<Response> =>
  answer(() => postEnter(request({ passcode }, from), now));

describe('the door', () => {
  it('opens to a passcode however it is typed, and the browser holds what no script can read', async () => {
    const { passcode } = await letIn('Ira', 'hand');
    expect(passcode).toMatch(/^[2-9a-z]{4}-[2-9a-z]{4}-[2-9a-z]{4}$/);
    const response = await enter(passcode.toUpperCase().replaceAll('-', ' '), '10.0.0.5');
    expect(await response.json()).toEqual({ name: 'Ira', role: 'hand' });
    const text = response.headers.get('set-cookie')!;
    expect(text).toMatch(/HttpOnly; SameSite=Strict/);
    const cookie = text.split(';')[0]!;
    expect(cookie.startsWith(`${COOKIE}=`)).toBe(true);
    const from = { [FROM]: '10.0.0.5' };
    expect(whoIs(database(), new Headers({ ...from, cookie }))).toMatchObject({ name: 'Ira', role: 'hand' });
    expect(whoIs(database(), new Headers({ ...from, cookie: `${cookie}x` }))).toBeNull();
    expect(whoIs(database(), new Headers(from))).toBeNull();
    expect(whoIs(database(), new Headers())).toBe('own machine');
    // Neither the passcode nor what the browser holds is in the database.
    const saved = JSON.stringify(database().prepare('SELECT * FROM member, session').all());
    expect(saved).not.toContain(passcode.replaceAll('-', ''));
    expect(saved).not.toContain(cookie.split('=')[1]);
    expect(saved).toContain('$argon2id$');
  });

  it('keeps who tries wrong ones waiting, longer every time, and nobody else', async () => {
    const { passcode } = await letIn('Oda', 'owner');
    const now = Date.now();
    for (let k = 0; k < 5; k++) expect((await enter('wrong', '10.0.0.9', now)).status).toBe(401);
    const wait = await enter(passcode, '10.0.0.9', now);
    expect(wait.status).toBe(429);
    expect(((await wait.json()) as { message: string }).message).toContain('30 s');
    expect((await enter('wrong', '10.0.0.9', now + 31_000)).status).toBe(401);
    expect((await enter(passcode, '10.0.0.9', now + 62_000)).status).toBe(429);
    expect((await enter(passcode, '10.0.0.9', now + 95_000)).status).toBe(200);
    expect((await enter(passcode, '10.0.0.8', now)).status).toBe(200);
    expect((await enter(7, '10.0.0.8', now)).status).toBe(400);
  }, 30_000);

  it('counts wrong ones that come at once as at once', async () => {
    const now = Date.now();
    const answers = await Promise.all(Array.from({ length: 11 }, () => enter('wrong', '10.0.1.1', now)));
    expect(answers.filter(({ status }) => status === 401).length).toBeLessThanOrEqual(5);
    expect((await enter('wrong', '10.0.1.1', now)).status).toBe(429);
  });

  it('lets no more than a dozen wait to be checked, and goes on afterwards', async () => {
    const many = await Promise.all(Array.from({ length: 40 }, (_, k) => enter('wrong', `10.0.2.${k}`)));
    expect(many.filter(({ status }) => status === 401)).toHaveLength(12);
    expect(many.filter(({ status }) => status === 429)).toHaveLength(28);
    expect((await enter('wrong', '10.0.2.200')).status).toBe(401);
  });

  it('keeps nobody waiting for more than a quarter of an hour, and the right passcode never where somebody came in before', async () => {
    const { passcode } = await letIn('Una', 'hand');
    let now = Date.now();
    expect((await enter(passcode, '10.0.3.1', now)).status).toBe(200);
    for (let k = 0; k < 14; k++) {
      now += 1000_000;
      for (const place of ['10.0.3.1', '10.0.3.2']) await enter('wrong', place, now);
    }
    const wordsFor = async (place: string, at: number) => ((await (await enter('wrong', place, at)).json()) as { message: string }).message;
    expect(Number(/in (\d+) s/.exec(await wordsFor('10.0.3.2', now + 1000))![1])).toBeLessThanOrEqual(900);
    expect((await enter(passcode, '10.0.3.2', now + 2000)).status).toBe(429);
    expect(await wordsFor('10.0.3.1', now + 2000)).toContain('Too many');
    expect((await enter(passcode, '10.0.3.1', now + 3000)).status).toBe(200);
  }, 60_000);

  it('one IPv6 network is one place, whichever of its addresses is used', async () => {
    const now = Date.now();
    for (let k = 0; k < 5; k++) await enter('wrong', `2001:db8:1:2:${k}::1`, now);
    expect((await enter('wrong', '2001:db8:1:2:ffff::1', now)).status).toBe(429);
    expect((await enter('wrong', '2001:db8:1:3::1', now)).status).toBe(401);
    // However it is written.
    for (let k = 1; k < 6; k++) await enter('wrong', `2001:db8::${k}`, now);
    expect((await enter('wrong', '2001:db8:0:0:9:8:7:6', now)).status).toBe(429);
  });

  it('closes at once to who is let in no longer, and by itself after a month', async () => {
    const db = database();
    const member = addMember(db, { name: 'Guest', role: 'apprentice', passcode: 'x' });
    const token = openSession(db, member.id);
    expect(memberOf(db, token)).toEqual(member);
    expect(memberOf(db, token, Date.now() + 31 * 86_400_000)).toBeNull();
    const other = openSession(db, member.id);
    closeSession(db, other);
    expect(memberOf(db, other)).toBeNull();
    expect(removeMember(db, member.id)).toBe(true);
    expect(memberOf(db, token)).toBeNull();
    expect(listMembers(db).some(({ id }) => id === member.id)).toBe(false);
    expect((await answer(() => deleteMember(request({ id: member.id })))).status).toBe(404);
    for (const wrong of [
      { name: ' ', role: 'hand' },
      { name: 'x'.repeat(41), role: 'hand' },
      { name: 'X', role: 'king' },
    ])
      expect((await answer(() => postMember(request(wrong)))).status).toBe(422);
  });

  it('tells where the workshop is, only while it is on the network', async () => {
    expect(lanAddresses()).toEqual([]);
    expect(await (await readMembers()).json()).toMatchObject({ address: null, qr: null });
    process.env.FOVEA_LAN = '192.0.2.2:3000';
    expect(await (await readMembers()).json()).toMatchObject({ address: '192.0.2.2:3000', qr: expect.stringContaining('<svg') });
  });
});

describe('where a request comes from', () => {
  it.each([
    ['this machine', '127.0.0.1', {}, undefined],
    ['another machine', '10.0.0.5', {}, '10.0.0.5'],
    ['another machine that says it is this one', '10.0.0.5', { 'x-forwarded-for': '127.0.0.1' }, '10.0.0.5'],
    ['through the front', '127.0.0.1', { 'x-forwarded-for': '10.0.0.9' }, '10.0.0.9'],
    ['through the front, with what it wrote itself before', '::1', { 'x-forwarded-for': '1.2.3.4, 10.0.0.9' }, '10.0.0.9'],
    ['through a front that says nothing', '127.0.0.1', { 'x-forwarded-for': '' }, 'unknown'],
    ['by the standard header', '127.0.0.1', { forwarded: 'for=1.2.3.4, for="[2001:db8::1]:4711";proto=https' }, '2001:db8::1'],
    ['by a standard header without an address', '127.0.0.1', { forwarded: 'proto=https' }, 'unknown'],
  ] as const)('%s', (_, remote, headers, from) => {
    expect(fromOf(remote, headers)).toBe(from);
  });
});

describe('who may what', () => {
  it.each([
    ['apprentice', 'apprentice', true],
    ['apprentice', 'hand', false],
    ['hand', 'apprentice', true],
    ['hand', 'owner', false],
    ['owner', 'owner', true],
  ] as const)('%s, where at least %s may: %s', (role, least, may) => {
    expect(mayNot({ id: '1', name: 'X', role }, least) === null).toBe(may);
    expect(mayNot('own machine', least)).toBeNull();
  });

  it('without having come in there is the door and nothing else', () => {
    for (const path of ['/enter', '/api/enter', '/_next/static/chunks/x.js']) expect(isDoor(path)).toBe(true);
    for (const path of ['/', '/entered', '/api/enter/x', '/api/pieces', '/health', '/_next/image', '/schema/piece.json'])
      expect(isDoor(path)).toBe(false);
  });

  it('another machine must call this one by its address, and only while it is on the network', () => {
    const from = { method: 'GET', origin: null, from: '10.0.0.5' };
    expect(refuse({ ...from, host: '192.0.2.2:3000', lan: ['192.0.2.2:3000'] })).toBeNull();
    expect(refuse({ ...from, host: '192.0.2.2:3000', lan: [] })).toContain('not known');
    for (const host of ['127.0.0.1:3000', 'localhost', 'evil.example', '192.0.2.2:9'])
      expect(refuse({ ...from, host, lan: ['192.0.2.2:3000'] })).toContain('not known');
    expect(refuse({ method: 'GET', origin: null, host: '192.0.2.2:3000', lan: ['192.0.2.2:3000'] })).toContain('own machine');
  });

  it('a page elsewhere may link here and nothing else', () => {
    const asked = { host: '127.0.0.1:3000', origin: 'http://127.0.0.1:3000' };
    expect(refuse({ ...asked, method: 'GET', site: 'cross-site', mode: 'navigate' })).toBeNull();
    expect(refuse({ ...asked, method: 'GET', site: 'cross-site', mode: 'no-cors' })).toContain('elsewhere');
    expect(refuse({ ...asked, method: 'POST', site: 'cross-site', mode: 'navigate' })).toContain('elsewhere');
    expect(refuse({ ...asked, method: 'POST', site: 'same-site', mode: 'cors' })).toContain('elsewhere');
    expect(refuse({ ...asked, method: 'POST', site: 'same-origin', mode: 'cors' })).toBeNull();
    expect(refuse({ ...asked, method: 'TRACE' })).toContain('TRACE');
    expect(refuse({ ...asked, method: 'GET', path: '/a%00b' })).toContain('cannot be read');
  });
});
