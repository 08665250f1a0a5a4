// npm run thorough: the deep checks that take too long for every commit, one on each core, and one table of what each found.
import { spawn } from 'node:child_process';
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { ensurePackages, ensureTestPrograms } from './ensure.mjs';

ensurePackages();
ensureTestPrograms();
const { ensureTools } = await import('./generate.mjs');
const { ensureBuilt } = await import('./build.mjs');
await ensureTools();
await ensureBuilt();
rmSync('test-results/thorough', { recursive: true, force: true });
mkdirSync('test-results/thorough', { recursive: true });

/** Each deep check: what it is called, what it runs, and what is set for it. `npm test` runs a bounded part of every one. */
const CHECKS = [
  { name: '10,000 random plans, inspected: the odd half', files: ['src/core/inspection/random-odd'], env: {} },
  { name: '10,000 random plans, inspected: the even half', files: ['src/core/inspection/random-even'], env: {} },
  { name: 'Savings against a full search, 200 sets', files: ['src/core/plan/savings-random'], env: { FOVEA_SAVINGS: '200' } },
  { name: '1,000 kills, 200 power cuts', files: ['src/data/torture'], env: { FOVEA_KILLS: '1000', FOVEA_DEEDS: '200' } },
  { name: 'Cold and warm plans agree: every single edit, 2,000 chains', files: ['src/core/plan/cold-and-warm'], env: {} },
  { name: 'Every figure of a document at its limits', files: ['src/core/document/every-figure'], env: {} },
  {
    name: '100,000 spoilt and 2,000 random documents; damaged files',
    files: ['src/core/document/fuzz', 'src/core/formats/hostile'],
    env: { FOVEA_FUZZ: '100000', FOVEA_FUZZ_PLANS: '2000' },
  },
  {
    name: 'Kinds as they start, twenty of each; ways to save by brute force; random boards, covers and sittings',
    files: [
      ...['src/core/plan/starts', 'src/core/plan/savings.test', 'src/core/plan/plan.test', 'src/core/plan/counting'],
      ...['src/core/cover/choices', 'src/core/cover/pulled', 'src/core/mechanics/section/pull'],
      ...['src/core/seat-check/sit.test', 'src/core/inverse-crown', 'src/core/scheduling/solver/exact', 'src/workers/spread'],
    ],
    env: {},
  },
  { name: 'The same plan on three engines, 49 jobs', files: ['src/core/plan/engines'], env: {} },
  { name: 'Paper of four kinds, read back by poppler', files: ['src/core/formats/drawn-page', 'src/core/formats/pdf.test'], env: {} },
];

/** Whatever is in no check above: tests that take turns by the week are all run, and none twice. */
const REST = { name: 'Every other unit test, the turns of all weeks', files: [], without: CHECKS.flatMap(({ files }) => files), env: {} };

/** In the browser both cores work for one check, so it goes last and alone. */
const WALKS = { name: 'Every walk in the browser; every screen in both themes at three widths', env: {} };

/** The command that runs a check: files of the unit tests, all but some, or every walk. */
function commandOf({ files, without = [] }, report) {
  if (!files) return ['playwright', 'test'];
  const left = without.flatMap((file) => ['--exclude', `${file}*`, '--exclude', `${file}/**`]);
  const how = ['--maxWorkers=1', '--testTimeout=3600000', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`];
  return ['vitest', 'run', ...files, ...left, ...how];
}

/** Runs a command with its output in a file; its status and how long it took. */
function run(command, env, log) {
  const began = Date.now();
  const out = openSync(log, 'w');
  return new Promise((done) => {
    const child = spawn('npx', command, {
      stdio: ['ignore', out, out],
      env: { ...process.env, ...env, FOVEA_THOROUGH: '1', NEXT_TELEMETRY_DISABLED: '1' },
    });
    child.on('close', (status) => {
      closeSync(out);
      done({ ok: status === 0, seconds: Math.round((Date.now() - began) / 1000) });
    });
  });
}

const rows = [];

/** Runs one check and adds its row; of one that failed the output is printed whole. */
async function check(one, at) {
  const [report, log] = ['json', 'log'].map((kind) => `test-results/thorough/${at}.${kind}`);
  const { ok, seconds } = await run(commandOf(one, report), one.env, log);
  const found = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : null;
  if (!ok) console.log(`\n== ${one.name}\n${readFileSync(log, 'utf8')}`);
  console.log(`${ok ? 'passed' : 'FAILED'} in ${seconds} s: ${one.name}`);
  const passed = found?.numPassedTests ?? Number(ok);
  rows.push({ check: one.name, passed, failed: found?.numFailedTests ?? Number(!ok), seconds, ok });
}

const began = Date.now();
// The longest first, so that no core is left with one of them at the end.
const waiting = [...CHECKS.slice(0, 2), REST, ...CHECKS.slice(2)].map((one, at) => [one, at]);
const lane = async () => {
  for (let next = waiting.shift(); next; next = waiting.shift()) await check(...next);
};
await Promise.all(Array.from({ length: availableParallelism() }, lane));
await check(WALKS, CHECKS.length + 1);

console.log('');
console.table(rows.map(({ ok, ...row }) => ({ ...row, '': ok ? '' : 'FAILED' })));
console.log(`${Math.round((Date.now() - began) / 60_000)} min`);
process.exit(rows.every(({ ok }) => ok) ? 0 : 1);
