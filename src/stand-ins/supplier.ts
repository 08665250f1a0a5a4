// A stand-in for a supplier: npm run supplier. It has a catalogue with stock and prices, takes orders over HTTP on this machine and
// acknowledges them (docs/supplier.md); the page on its port makes it slow, dearer, out of stock or down.
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import Papa from 'papaparse';
import { shelf } from '../core/store';

const PORT = Number(process.env.FOVEA_SUPPLIER ?? 4730);
const HOST = '127.0.0.1';
/** How long it takes when it is slow, ms. */
const SLOW = Number(process.env.FOVEA_SUPPLIER_SLOW ?? 4000);
const DEARER = 1.12;
/** So many of everything are there in the morning. */
const MORNING = 60;

type Line = { name: string; units: number; price: number };
type Taken = { reference: string; expected: string; says: string; lines: (Line & { short: number })[] };

const moods = { slow: false, dearer: false, out: false, down: false };
type Mood = keyof typeof moods;
const items = new Map(shelf().map(({ name, price, lead }) => [name, { price, lead, available: MORNING }]));
/** Orders by their key: asked for twice they are one. */
const orders = new Map<string, Taken>();

const cents = (value: number): number => Math.round(value * 100) / 100;
const priceOf = (name: string, asked: number): number => cents((items.get(name)?.price ?? asked) * (moods.dearer ? DEARER : 1));

function catalogue(): { name: string; price: number; available: number; lead: number }[] {
  return [...items].map(([name, { price, available, lead }]) => ({
    name,
    price: priceOf(name, price),
    available: moods.out ? 0 : available,
    lead,
  }));
}

function expectedIn(days: number): string {
  return new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
}

/** Takes an order, or says why not: 409 with its own prices where they are other than was thought, or where it has none. */
function take({ key, accept, lines }: { key?: unknown; accept?: unknown; lines?: unknown }): { status: number; body: unknown } {
  if (typeof key !== 'string' || !Array.isArray(lines) || lines.length === 0)
    return { status: 400, body: { says: 'An order has a key and lines.' } };
  const known = orders.get(key);
  if (known) return { status: 200, body: known };
  const asked = lines as Line[];
  if (asked.some((line) => typeof line?.name !== 'string' || !(line.units > 0)))
    return { status: 400, body: { says: 'Each line has a name and how many.' } };
  const priced = asked.map((line) => ({ ...line, price: priceOf(line.name, line.price) }));
  if (moods.out) return { status: 409, body: { says: 'Out of stock until next week.', lines: priced } };
  if (accept !== true && priced.some(({ price }, k) => Math.abs(price - asked[k]!.price) > 0.005))
    return { status: 409, body: { says: 'Prices have changed. Order again at these to go on.', lines: priced } };
  const dispatched = priced.map((line) => {
    const item = items.get(line.name);
    const there = item ? Math.min(item.available, line.units) : line.units;
    if (item) item.available = cents(item.available - there);
    return { ...line, short: cents(line.units - there) };
  });
  const lead = Math.max(1, ...asked.map(({ name }) => items.get(name)?.lead ?? 3));
  const short = dispatched.filter((line) => line.short > 0).map(({ name, short: missing }) => `${missing} of ${name} follow later`);
  const taken: Taken = {
    reference: `S-${String(orders.size + 1).padStart(4, '0')}`,
    expected: expectedIn(lead),
    says: ['Thank you.', ...short].join(' '),
    lines: dispatched,
  };
  orders.set(key, taken);
  return { status: 201, body: taken };
}

const PAGE = `<!doctype html><html lang="en"><meta charset="utf-8"><title>Supplier stand-in</title>
<style>body{font:18px sans-serif;max-width:28rem;margin:2rem auto;padding:0 1rem}button{font:inherit;padding:.5rem .8rem;margin:.2rem 0;min-height:48px}output{display:block;margin-top:1rem}</style>
<h1>Supplier stand-in</h1>
<p><button data-do="slow">Slow</button> <button data-do="dearer">Dearer</button> <button data-do="out">Out of stock</button> <button data-do="down">Down</button></p>
<output id="o" role="status"></output>
<script>for(const b of document.querySelectorAll('[data-do]'))b.addEventListener('click',async()=>{const r=await fetch('/moods/'+b.dataset.do,{method:'POST'});document.getElementById('o').textContent=await r.text()})</script></html>`;

const json = (response: ServerResponse, status: number, body: unknown): void =>
  void response.writeHead(status, { 'content-type': 'application/json; charset=utf-8' }).end(JSON.stringify(body));

async function bodyOf(request: IncomingMessage): Promise<string> {
  let body = '';
  for await (const chunk of request) body = `${body}${String(chunk)}`.slice(0, 200_000);
  return body;
}

async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const { method, url = '/' } = request;
  // Its own page alone presses its buttons.
  const from = request.headers.origin;
  if (from !== undefined && from !== `http://${request.headers.host}`) return void response.writeHead(403).end();
  if (method === 'GET' && url === '/') return void response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(PAGE);
  if (method === 'POST' && url.startsWith('/moods/')) {
    const mood = url.slice('/moods/'.length) as Mood;
    if (!(mood in moods)) return void response.writeHead(404).end('There is no such button');
    moods[mood] = !moods[mood];
    return void response.writeHead(200, { 'content-type': 'text/plain; charset=utf-8' }).end(
      Object.entries(moods)
        .map(([name, on]) => `${name}: ${on ? 'yes' : 'no'}`)
        .join(', '),
    );
  }
  if (moods.down) return void request.socket.destroy();
  if (moods.slow) await new Promise((resolve) => setTimeout(resolve, SLOW));
  if (method === 'GET' && url === '/catalogue.json') return json(response, 200, { items: catalogue() });
  if (method === 'GET' && url === '/catalogue.csv')
    return void response.writeHead(200, { 'content-type': 'text/csv; charset=utf-8' }).end(`${Papa.unparse(catalogue())}\r\n`);
  if (method === 'POST' && url === '/orders') {
    let data: unknown;
    try {
      data = JSON.parse(await bodyOf(request));
    } catch {
      return json(response, 400, { says: 'This is not JSON.' });
    }
    const { status, body } = take((data ?? {}) as Parameters<typeof take>[0]);
    return json(response, status, body);
  }
  response.writeHead(404).end();
}

createServer((request, response) => {
  answer(request, response).catch(() => response.destroy());
}).listen(PORT, HOST, () => console.log(`Supplier stand-in on http://${HOST}:${PORT}`));
