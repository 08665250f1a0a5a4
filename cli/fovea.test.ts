import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { documentSchema } from '../src/core/document';
import { newChairSeat } from '../src/core/piece';
import type { Plan } from '../src/core/plan';
import { weekly } from '../src/testing/weekly';

const run = (args: string[], input = '') => spawnSync('node', ['dist/fovea.mjs', ...args], { encoding: 'utf8', input });
const folder = mkdtempSync(join(tmpdir(), 'fovea-'));

weekly(1)('new prints a valid piece and plan takes it, from a file or from standard input', () => {
  const made = run(['new', 'chair-seat']);
  expect(JSON.parse(made.stdout)).toEqual(newChairSeat());
  const file = join(folder, 'seat.json');
  writeFileSync(file, made.stdout);
  const plan = JSON.parse(run(['plan', file]).stdout) as Plan;
  for (const part of [
    'schema',
    'outline',
    'surface',
    'stations',
    'cover',
    'foam',
    'wadding',
    'dustCover',
    'cut',
    'fixing',
    'steps',
    'warnings',
  ]) {
    expect(plan).toHaveProperty(part);
  }
  expect(JSON.parse(run(['plan', '-'], made.stdout).stdout)).toEqual(plan);
});

it('schema prints the schema', () => {
  expect(JSON.parse(run(['schema']).stdout)).toEqual(JSON.parse(JSON.stringify(documentSchema())));
});

it.each([
  [[], 'Usage'],
  [['plan'], 'Usage'],
  [['new', 'throne'], 'no kind'],
  [['plan', '/nowhere/at/all.json'], 'Cannot read'],
  [['plan', 'package.json'], 'is missing'],
  [['plan', 'README.md'], 'not JSON'],
])('%j fails with words on standard error and status 1', (args, words) => {
  const { status, stdout, stderr } = run(args);
  expect(status).toBe(1);
  expect(stdout).toBe('');
  expect(stderr).toContain(words);
});

weekly(2)('inspects a plan: sound, or a list of what is wrong', () => {
  const file = join(folder, 'inspected.json');
  writeFileSync(file, JSON.stringify(newChairSeat()));
  const { stdout, status } = run(['inspect', file]);
  expect(JSON.parse(stdout)).toEqual({ piece: newChairSeat().name, sound: true, findings: [] });
  expect(status).toBe(0);
  expect(run(['inspect']).status).toBe(1);
});

weekly(3)('prints the sheets that are asked for as one PDF, which another program reads', () => {
  const file = join(folder, 'printed.json');
  writeFileSync(file, JSON.stringify(newChairSeat()));
  const { stdout, status } = spawnSync('node', ['dist/fovea.mjs', 'print', file, '--parts', 'job,labels', '--paper', 'a4']);
  expect(status).toBe(0);
  const pdf = join(folder, 'job.pdf');
  writeFileSync(pdf, stdout);
  const words = spawnSync('pdftotext', [pdf, '-'], { encoding: 'utf8' }).stdout;
  expect(words).toContain(newChairSeat().name);
  expect(spawnSync('pdfinfo', [pdf], { encoding: 'utf8' }).stdout).toMatch(/Page size:\s+595\.\d+ x 841\.\d+ pts \(A4\)/);
  for (const [args, words] of [
    [['--parts', 'jobs'], /no part “jobs”; there are job, cut, run/],
    [['--paper', 'b4'], /no paper “b4”; there are a4, a3/],
    [['--colour'], /Unknown option '--colour'/],
  ] as const) {
    const wrong = run(['print', file, ...args]);
    expect(wrong.stderr).toMatch(words);
    expect(wrong.status).toBe(1);
  }
});
