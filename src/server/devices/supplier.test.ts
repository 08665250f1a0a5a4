import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import type { Purchase } from '../../core/buying';
import { askSupplier, catalogue } from './supplier';

let server: Server | undefined;
afterEach(() => {
  server?.closeAllConnections();
  server?.close();
  server = undefined;
  delete process.env.FOVEA_SUPPLIER;
  delete process.env.FOVEA_SUPPLIER_PATIENCE;
});

const listens = (answer: RequestListener): Promise<void> =>
  new Promise((resolve) => {
    server = createServer(answer).listen(0, '127.0.0.1', () => {
      process.env.FOVEA_SUPPLIER = String((server!.address() as AddressInfo).port);
      resolve();
    });
  });

const order: Purchase = {
  lines: [{ ware: 'w', name: 'Wool', units: 2, price: 40, arrived: 0 }],
  carriage: 0,
  reference: '',
  expected: '',
  says: '',
};
const ask = () => askSupplier('key', 'Mill', order, false);
const inDays = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const good = { reference: 'S-1', expected: inDays(3), says: 'Thank you.', lines: [{ name: 'Wool', price: 40 }] };

describe('what a supplier answers to an order', () => {
  it.each([
    ['is taken as it is', 201, good, 'taken'],
    ['is taken without a day or lines', 200, { reference: 'S-1' }, 'taken'],
    ['without a reference nobody can find it by', 201, { ...good, reference: '' }, 'unknown'],
    ['with a price below nothing', 201, { ...good, lines: [{ name: 'Wool', price: -1 }] }, 'unknown'],
    ['with a price that is a word', 201, { ...good, lines: [{ name: 'Wool', price: '40' }] }, 'unknown'],
    ['with a day that is a number', 201, { ...good, expected: 20270101 }, 'unknown'],
    ['that is null', 201, null, 'unknown'],
    ['that is no JSON', 201, '<html>', 'unknown'],
    ['their own fault is no refusal', 500, { says: 'Refused' }, 'unknown'],
    ['nor is a service that is not there', 503, { says: 'Out of stock' }, 'unknown'],
    ['nor is a wait', 429, { says: 'Later' }, 'unknown'],
    ['out of stock', 409, { says: 'Out of stock.', lines: [{ name: 'Wool', price: 44 }] }, 'refused'],
    ['a plain no without words', 403, 'no', 'refused'],
  ] as const)('%s', async (_, status, body, kind) => {
    await listens((_request, response) => response.writeHead(status).end(typeof body === 'string' ? body : JSON.stringify(body)));
    const answer = await ask();
    expect(answer.kind).toBe(kind);
    expect(answer.says === '' || /[.]$/.test(answer.says)).toBe(true);
    if (kind === 'unknown') expect(answer.says).toContain('Ask the supplier');
  });

  it.each([
    ['2027-02-30', ''],
    ['1999-01-01', ''],
    ['9999-12-31', ''],
    [inDays(5), inDays(5)],
    [inDays(-1), inDays(-1)],
  ])('a delivery on %s is written down as “%s”', async (promised, day) => {
    await listens((_request, response) => response.writeHead(201).end(JSON.stringify({ ...good, expected: promised })));
    expect(await ask()).toMatchObject({ kind: 'taken', expected: day });
  });

  it('is not followed to another address', async () => {
    let elsewhere = 0;
    await listens((request, response) => {
      if (request.url !== '/orders') elsewhere += 1;
      response.writeHead(307, { location: '/other' }).end(JSON.stringify(good));
    });
    expect((await ask()).kind).toBe('unknown');
    expect(elsewhere).toBe(0);
  });

  it('that never comes, breaks off or never ends may still mean that it was taken; a shut door cannot', async () => {
    process.env.FOVEA_SUPPLIER_PATIENCE = '200';
    await listens(() => undefined);
    expect(await ask()).toMatchObject({ kind: 'unknown', says: expect.stringContaining('not answered') as string });
    delete process.env.FOVEA_SUPPLIER_PATIENCE;
    server!.closeAllConnections();
    server!.close();
    await listens((request) => request.socket.destroy());
    expect(await ask()).toMatchObject({ kind: 'unknown', says: expect.stringContaining('broke') as string });
    server!.close();
    await listens((_request, response) => {
      response.writeHead(201);
      const more = setInterval(() => response.write('x'.repeat(500_000)), 5);
      response.on('close', () => clearInterval(more));
    });
    expect((await ask()).kind).toBe('unknown');
    server!.closeAllConnections();
    await new Promise((resolve) => server!.close(resolve));
    expect((await ask()).kind).toBe('unsent');
  });
});

it('a catalogue with one line that is not as it should be is not read at all', async () => {
  const items = [{ name: 'Wool', price: 40, available: 3 }];
  await listens((_request, response) => response.end(JSON.stringify({ items })));
  expect(await catalogue()).toEqual({ offered: items, says: null });
  items.push({ name: 'Felt', price: -4, available: 3 });
  expect(await catalogue()).toEqual({ offered: [], says: 'The supplier’s catalogue cannot be read.' });
});
