import { build } from 'esbuild';
import { spawn, spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { deedsIn, Disk } from './power-cut';
import { missingAfter, acknowledgedIn } from './verify';
import { seededRandom } from '../../testing/seeded-random';
import { measured } from '../../testing/measured';

/** How often a workshop is killed, and how much is done before the power goes: more with `npm run torture`. */
const KILLS = Number(process.env.FOVEA_KILLS ?? 8);
const DEEDS = Number(process.env.FOVEA_DEEDS ?? 60);
const HAMMER = join(process.cwd(), 'dist/hammer.mjs');
const folder = mkdtempSync(join(tmpdir(), 'fovea-torture-'));

beforeAll(async () => {
  await build({
    entryPoints: ['src/data/torture/hammer.ts'],
    outfile: HAMMER,
    bundle: true,
    format: 'esm',
    platform: 'node',
    external: ['better-sqlite3'],
    logLevel: 'error',
    banner: { js: "import { createRequire as __r } from 'node:module'; const require = __r(import.meta.url);" },
  });
});
afterAll(() => rmSync(folder, { recursive: true, force: true }), 300_000);

/** Runs the hammer until it has told so much, then so long, and kills it. */
function hammerAndKill(at: string, seed: number, wait: number): Promise<void> {
  return new Promise((resolve) => {
    const before = existsSync(join(at, 'acknowledged')) ? readFileSync(join(at, 'acknowledged')).length : 0;
    const child = spawn(process.execPath, [HAMMER, String(seed)], { env: { ...process.env, FOVEA_DATA: at }, stdio: 'ignore' });
    const began = Date.now();
    const look = setInterval(() => {
      const now = existsSync(join(at, 'acknowledged')) ? readFileSync(join(at, 'acknowledged')).length : 0;
      // It is killed some time after it has begun to work, and also while it still opens or brings up to date.
      if ((now > before && wait > 0) || Date.now() - began > 5000 || wait === 0) {
        clearInterval(look);
        setTimeout(() => child.kill('SIGKILL'), wait || Math.random() * 250);
      }
    }, 5);
    child.on('exit', () => {
      clearInterval(look);
      resolve();
    });
  });
}

describe('a workshop that is killed', () => {
  it(`${KILLS} times while it saves, ticks, keeps photos, logs and backs up loses nothing that was told`, async () => {
    const at = join(folder, 'killed');
    mkdirSync(at);
    // It begins with an old form, so that some kills fall into the bringing up to date.
    copyFileSync('src/data/fixtures/workshop-form-1.sqlite', join(at, 'fovea.sqlite'));
    const roll = seededRandom(20261126);
    let seen = 0;
    for (let k = 0; k < KILLS; k++) {
      await hammerAndKill(at, k + 1, k % 6 === 0 ? 0 : 5 + roll() * 300);
      // What was there after an earlier kill is looked at once more at the end.
      const text = existsSync(join(at, 'acknowledged')) ? readFileSync(join(at, 'acknowledged'), 'utf8') : '';
      expect(await missingAfter(at, acknowledgedIn(text.slice(seen)), { backups: false }), `after kill ${k + 1}`).toEqual([]);
      seen = text.lastIndexOf('\n') + 1;
    }
    const entries = acknowledgedIn(readFileSync(join(at, 'acknowledged'), 'utf8'));
    expect(await missingAfter(at, entries)).toEqual([]);
    expect(entries.length).toBeGreaterThan(KILLS * 3);
    measured('kills', { kills: KILLS, told: entries.length, lost: 0 });
  }, 3_600_000);
});

describe('a workshop whose power is cut', () => {
  it('at any point where something was put down to the disk has everything that was told before', async () => {
    const at = join(folder, 'cut');
    const record = join(folder, 'record');
    const watch = join(folder, 'watch.so');
    expect(spawnSync('gcc', ['-shared', '-fPIC', '-O1', '-o', watch, 'src/data/torture/watch.c', '-ldl']).status).toBe(0);
    mkdirSync(at);
    const env = { ...process.env, FOVEA_DATA: at, WATCH_FOLDER: at, WATCH_RECORD: record, LD_PRELOAD: watch };
    expect(spawnSync(process.execPath, [HAMMER, '7', String(DEEDS), 'no'], { env }).status).toBe(0);
    const deeds = deedsIn(readFileSync(record));
    const tells = join(at, 'acknowledged');
    const disk = new Disk(at);
    const roll = seededRandom(7);
    const after = join(folder, 'after');
    let entries = '';
    let cuts = 0;
    for (const deed of deeds) {
      if (deed.name === tells) {
        entries += deed.data.toString('utf8');
        continue;
      }
      disk.do(deed);
      // Before the first workshop is in its place there is nothing to find.
      if (deed.kind !== 'S' || entries === '') continue;
      // All of what was not put down is lost; or some of it, in any mixture.
      for (const chance of [() => 1, roll]) {
        rmSync(after, { recursive: true, force: true });
        mkdirSync(after);
        disk.cut(after, chance);
        expect(await missingAfter(after, acknowledgedIn(entries)), `cut ${cuts}, after ${deed.name}`).toEqual([]);
        cuts += 1;
      }
    }
    expect(acknowledgedIn(entries)).toHaveLength(DEEDS);
    expect(cuts).toBeGreaterThan(DEEDS);
    measured('cuts', { cuts, told: DEEDS, lost: 0 });
  }, 3_600_000);
});
