// A workshop that has grown, under fifty tablets: node bench/load.bench.mjs. FOVEA_LOAD_SECONDS says how long.
import { spawn, spawnSync } from 'node:child_process';
import { appendFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as rest } from 'node:timers/promises';

const PORT = 3961;
const TABLETS = 50;
const SECONDS = Number(process.env.FOVEA_LOAD_SECONDS ?? 40);
const SIZE = { pieces: 1000, log: 10_000 };
const origin = `http://127.0.0.1:${PORT}`;
const folder = mkdtempSync(join(tmpdir(), 'fovea-load-'));
const env = { ...process.env, FOVEA_DATA: folder, NEXT_TELEMETRY_DISABLED: '1', FOVEA_BACKUPS: '0' };

spawnSync('npx', ['tsx', 'bench/load.seed.ts', String(SIZE.pieces), String(SIZE.log)], { env, stdio: 'inherit' });
const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(PORT)], { env, stdio: 'ignore' });

/** The server's memory, MB. */
const memory = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))[1]) / 1024;
const at = (list, share) => [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))];

async function send(method, path, body) {
  const began = performance.now();
  const response = await fetch(origin + path, {
    method,
    headers: { origin, 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  const first = performance.now() - began;
  const data = await (method === 'GET' ? response.text() : response.json());
  if (!response.ok) throw new Error(`${method} ${path} answered ${response.status}`);
  return { first, all: performance.now() - began, data };
}

const took = { tick: [], floor: [], save: [], log: [] };
let over = false;

/** A tablet ticks once a second, and looks at the floor now and then. */
async function tablet(k, ids) {
  await rest((1000 * k) / TABLETS);
  for (let n = 0; !over; n++) {
    const id = ids[(k * 37 + n) % ids.length];
    took.tick.push((await send('PUT', `/api/pieces/${id}/ticks`, { unit: 1, step: 'board', done: n % 2 === 0 })).all);
    if (process.env.FLOORS && n % 15 === k % 15) took.floor.push((await send('GET', '/')).first);
    await rest(1000);
  }
}

/** Somebody plans meanwhile: a save every two seconds, and a search of the log. */
async function planner(records) {
  for (let n = 0; !over; n++) {
    const record = records[n % 20];
    const { all, data } = await send('PUT', `/api/pieces/${record.id}`, {
      base: record.revision,
      piece: { ...record.piece, notes: `Note ${n}` },
    });
    took.save.push(all);
    record.revision = data.revision;
    if (n % 5 === 0) took.log.push((await send('GET', `/api/log?search=note+${n}`)).all);
    await rest(2000);
  }
}

try {
  for (let k = 0; k < 100; k++) {
    const up = await fetch(`${origin}/health`).catch(() => null);
    if (up?.ok) break;
    await rest(200);
  }
  const records = JSON.parse((await send('GET', '/api/pieces')).data).pieces;
  const ids = records.map(({ id }) => id);
  for (let k = 0; k < 10; k++) await send('GET', '/');
  // Memory settles before it is looked at.
  const work = [...Array.from({ length: TABLETS }, (_, k) => tablet(k, ids)), ...(process.env.SAVES ? [planner(records)] : [])];
  await rest(Math.min(20_000, SECONDS * 300));
  const before = memory();
  const lags = [];
  (async () => {
    while (!over) {
      const a = performance.now();
      await rest(10);
      lags.push(performance.now() - a - 10);
    }
  })();
  await rest(SECONDS * 1000);
  const after = memory();
  over = true;
  await Promise.all(work);
  console.log('client lag p50', at(lags, 0.5), 'p95', at(lags, 0.95), 'tick50', at(took.tick, 0.5), 'tick75', at(took.tick, 0.75));
  const figures = {
    ...SIZE,
    tablets: TABLETS,
    seconds: SECONDS,
    tick95: at(took.tick, 0.95),
    floor50: at(took.floor, 0.5),
    floor95: at(took.floor, 0.95),
    save95: at(took.save, 0.95),
    log95: at(took.log, 0.95),
    memoryBefore: before,
    memoryAfter: after,
    ticks: took.tick.length,
  };
  console.log('\nA workshop of 1,000 pieces and 10,000 finished jobs under 50 tablets');
  for (const [what, value] of Object.entries(figures)) console.log(`${what.padEnd(16)} ${Math.round(value)}`);
  if (process.env.FOVEA_MEASURED) appendFileSync(process.env.FOVEA_MEASURED, `${JSON.stringify(['load', figures])}\n`);
} finally {
  server.kill('SIGTERM');
  await rest(1500);
  rmSync(folder, { recursive: true, force: true });
}
