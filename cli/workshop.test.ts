import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { newChairSeat } from '../src/core/piece';
import { weekly } from '../src/testing/weekly';

const folder = mkdtempSync(join(tmpdir(), 'fovea-cli-'));
const elsewhere = join(folder, 'elsewhere');
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const TOOL = join(process.cwd(), 'dist/fovea.mjs');

const run = (args: string[], { at = join(folder, 'workshop'), input = '' } = {}) => {
  const { status, stdout, stderr } = spawnSync('node', [TOOL, ...args], {
    // From a folder of nobody's: it finds what it needs beside itself.
    cwd: folder,
    encoding: 'utf8',
    input,
    env: { ...process.env, FOVEA_DATA: at },
  });
  return { status, stderr, json: stdout ? (JSON.parse(stdout) as Record<string, unknown>) : null };
};

weekly(0)('a workshop goes from one folder to another by five commands, and is whole', () => {
  const piece = { ...newChairSeat(), name: 'Gallery chair' };
  const made = run(['import', '-'], { input: JSON.stringify(piece) });
  expect(made).toMatchObject({ status: 0, json: { name: 'Gallery chair', revision: 1 } });
  const archive = join(folder, 'all.tar.gz');
  expect(run(['backup', archive])).toMatchObject({ status: 0, json: { file: archive, pieces: 1, log: 0, photos: 0 } });
  expect(run(['check', archive])).toMatchObject({ status: 0, json: { ok: true, pieces: 1 } });
  expect(run(['restore', archive, elsewhere])).toMatchObject({ status: 0, json: { pieces: 1, aside: null } });
  const id = String(made.json!.id);
  expect(run(['export', id], { at: elsewhere }).json).toEqual(JSON.parse(JSON.stringify(piece)));
  expect(run(['export'], { at: elsewhere }).json).toMatchObject({ pieces: [{ id, name: 'Gallery chair' }], broken: [] });
});

weekly(1)('what is wrong is said on standard error, without a stack, and told apart by the status', () => {
  const bad = join(folder, 'bad.tar.gz');
  writeFileSync(bad, 'no archive');
  for (const [args, at, status, words] of [
    [['check', bad], elsewhere, 1, 'cannot be unpacked'],
    [['restore', join(folder, 'none.tar.gz')], elsewhere, 1, 'There is no none.tar.gz'],
    [['export', 'nobody'], elsewhere, 1, 'no piece nobody'],
    [['restore'], elsewhere, 1, 'Usage'],
  ] as const) {
    const { status: is, stderr } = run([...args], { at });
    expect([args, is]).toEqual([args, status]);
    expect(stderr).toContain(words);
    expect(stderr).not.toMatch(/\n\s+at /);
  }
  const empty = join(folder, 'empty');
  spawnSync('mkdir', [empty]);
  writeFileSync(join(empty, 'fovea.sqlite'), '');
  expect(run(['export'], { at: empty })).toMatchObject({ status: 2, stderr: expect.stringContaining('empty file') });
  expect(readdirSync(empty)).toEqual(['fovea.sqlite']);
  expect(existsSync(elsewhere)).toBe(true);
});

it('a mark that an editor put before a file is passed over', () => {
  const file = join(folder, 'marked.json');
  writeFileSync(file, `\uFEFF${JSON.stringify(newChairSeat())}`);
  expect(run(['check', file])).toMatchObject({ status: 0, json: { ok: true, piece: 'Chair seat' } });
});
