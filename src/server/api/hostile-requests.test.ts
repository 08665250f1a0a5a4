import { describe, expect, it } from 'vitest';
import { newChairSeat } from '../../core/piece';
import { database } from '../../data/database';
import { createJob } from '../../data/jobs';
import { createPiece } from '../../data/pieces';
import { seededRandom } from '../../testing/seeded-random';
import { runs, WEEK } from '../../testing/runs';
import { servedWorkshop } from '../../testing/served';
import { dispatch } from './dispatch';
import { METHODS, type Json, type Method } from './route';
import { ROUTES } from './routes';

// Nothing listens there: whatever is asked of a device is answered at once.
for (const name of ['FOVEA_SUPPLIER', 'FOVEA_CUTTER', 'FOVEA_CUTTER_PANEL', 'FOVEA_TAPE', 'FOVEA_MAT']) process.env[name] = '9';

/** So many requests each route gets. */
const REQUESTS = runs(3, 200);
const known: string[] = [];
servedWorkshop((db) => {
  const { id } = createPiece(db, newChairSeat());
  known.push(id, createJob(db, { name: 'Hall', due: '', notes: '', photos: [], customer: '' }).id);
});

const STRINGS = [
  ...[
    '',
    ' ',
    '\0',
    'a\0b',
    '__proto__',
    'constructor',
    'toString',
    '../../etc/passwd',
    '..',
    '%00',
    '%',
    '\ud800',
    '🪑',
    '<b>',
    "'; DROP TABLE piece;--",
  ],
  ...[
    '1e308',
    '-1',
    'NaN',
    '9007199254740993',
    '275760-09-13',
    '275760-09-13T00:00:00Z',
    '0000-00-00',
    '2027-02-30',
    'null',
    '{}',
    '[]',
    'a'.repeat(5000),
  ],
];
const OTHERS: unknown[] = [
  ...[null, true, false, 0, -0, -1, 0.1, 1e308, -1e308, 1e-320, 2 ** 53, 1e21, [], {}, [null], [[]], { a: 1 }],
  JSON.parse('{"__proto__":{"a":1},"constructor":{"prototype":{"b":2}}}'),
  Array.from({ length: 2000 }, () => 0),
];

type Random = () => number;
const pick = <T>(random: Random, from: readonly T[]): T => from[Math.floor(random() * from.length)]!;
const hostile = (random: Random): unknown => (random() < 0.5 ? pick(random, STRINGS) : pick(random, OTHERS));

/** A value much like the one that a field takes. */
function likely(random: Random, field: Json): unknown {
  if (field.const !== undefined) return field.const;
  if (Array.isArray(field.enum)) return pick(random, field.enum);
  if (field.$ref === '#/components/schemas/Piece') return spoilt(random, newChairSeat());
  const properties = field.properties as Record<string, Json> | undefined;
  if (properties) return Object.fromEntries(Object.entries(properties).map(([name, inner]) => [name, valueFor(random, inner)]));
  switch (field.type) {
    case 'array':
      return Array.from({ length: Math.floor(random() * 3) }, () => valueFor(random, (field.items ?? {}) as Json));
    case 'string':
      return pick(random, [...known, 'foam', '2027-03-01', 'aaaaaaaa-0000-0001', ...STRINGS]);
    case 'boolean':
      return random() < 0.5;
    default:
      return pick(random, [0, 1, 2, 40, 1e308]);
  }
}

const valueFor = (random: Random, field: Json): unknown => (random() < 0.3 ? hostile(random) : likely(random, field));

/** A document with one value somewhere in it replaced. */
function spoilt(random: Random, value: unknown): unknown {
  if (value === null || typeof value !== 'object' || random() < 0.15) return hostile(random);
  const copy: Record<string, unknown> | unknown[] = Array.isArray(value) ? [...(value as unknown[])] : { ...value };
  const keys = Object.keys(copy);
  if (keys.length === 0) return hostile(random);
  const key = pick(random, keys) as keyof typeof copy;
  copy[key] = spoilt(random, copy[key]) as never;
  return copy;
}

/** The body of a request: something of everything. */
function bodyOf(random: Random, schema: Json | undefined): string {
  const dice = random();
  if (dice < 0.08) return pick(random, ['', '{', 'null', '[]', '"x"', '\0', '{"a":', `${'['.repeat(20_000)}`, '{"id":1e999}']);
  if (dice < 0.25 || !schema)
    return JSON.stringify(
      Object.fromEntries(Object.keys((schema?.properties as object) ?? { a: 1 }).map((name) => [name, hostile(random)])),
    );
  return JSON.stringify(likely(random, schema));
}

/** Sends a request; whatever it opens is closed. */
async function send(random: Random, pattern: string, method: Method): Promise<{ status: number; text: string; sent: string }> {
  const path = pattern
    .slice(1)
    .split('/')
    .map((part) => (part.startsWith('{') ? pick(random, [...known, ...known, ...STRINGS.slice(0, 14)]) : part));
  const { query = {}, body } = ROUTES[pattern]![method]!;
  const names = [...Object.keys(query), 'base', 'table', 'from', 'id'];
  const asks = new URLSearchParams(Array.from({ length: Math.floor(random() * 4) }, () => [pick(random, names), String(hostile(random))]));
  const text = method === 'get' ? undefined : bodyOf(random, body);
  const request = new Request(`http://127.0.0.1/x?${asks.toString()}`, {
    method: method.toUpperCase(),
    ...(text !== undefined && { body: text }),
    signal: AbortSignal.timeout(20_000),
  });
  const response = await dispatch(request, path);
  const sent = `${method} ${path.join('/').slice(0, 200)}?${asks.toString().slice(0, 200)} ${text?.slice(0, 600) ?? ''}`;
  if (response.status < 400) {
    await response.body?.cancel();
    return { status: response.status, text: '', sent };
  }
  return { status: response.status, text: await response.text(), sent };
}

/** What another process is started for, or what ends this workshop. */
const LEFT_OUT = new Set(['/api/network', '/api/restore']);

const routes = Object.keys(ROUTES)
  .filter((pattern) => !LEFT_OUT.has(pattern))
  .flatMap((pattern) => METHODS.filter((method) => ROUTES[pattern]![method]).map((method) => [method, pattern] as const));

describe('hostile requests', () => {
  it.each(routes)(
    '%s %s: each is answered, and what is not done is said in a sentence',
    { timeout: 1_800_000 },
    async (method, pattern) => {
      const random = seededRandom(WEEK * 1000 + routes.findIndex(([m, p]) => m === method && p === pattern));
      for (let k = 0; k < REQUESTS; k++) {
        const { status, text, sent } = await send(random, pattern, method);
        if (status < 400) continue;
        expect(status, `${sent}\n${text}`).not.toBe(500);
        expect((JSON.parse(text) as { message?: string }).message ?? '', sent).toMatch(/^\S.*\S$/s);
      }
    },
  );
});

describe('a database that takes nothing any more', () => {
  it('is still read: every route that only reads answers as before, and /health says what is wrong', { timeout: 300_000 }, async () => {
    const db = database();
    db.pragma('query_only = ON');
    try {
      expect(() => db.prepare("UPDATE piece SET updated_at = ''").run()).toThrow(/readonly/);
      for (const [method, pattern] of routes) {
        if (method !== 'get') continue;
        const path = pattern.slice(1).split('/');
        const id = /pieces/.test(pattern) ? known[0]! : known[1]!;
        const asks = pattern === '/api/store/csv' ? '?table=wares' : '';
        const request = new Request(`http://127.0.0.1/x${asks}`, { signal: AbortSignal.timeout(60_000) });
        const response = await dispatch(
          request,
          path.map((part) => (part.startsWith('{') ? id : part)),
        );
        if (pattern === '/health') {
          expect(response.status).toBe(503);
          continue;
        }
        expect(response.status, `${pattern}: ${response.status < 400 ? '' : await response.clone().text()}`).toBeLessThan(500);
        await response.body?.cancel();
      }
    } finally {
      db.pragma('query_only = OFF');
    }
  });
});
