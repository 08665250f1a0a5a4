// npm run thorough: the deep checks that take too long for every commit, one after the other, and one table of what each found.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { ensurePackages, ensureTestPrograms } from './ensure.mjs';

ensurePackages();
ensureTestPrograms();
const { ensureTools } = await import('./generate.mjs');
const { ensureBuilt } = await import('./build.mjs');
await ensureTools();
await ensureBuilt();
mkdirSync('test-results', { recursive: true });

const REPORT = 'test-results/thorough.json';

/** Each deep check: what it is called, what it runs, and what is set for it. `npm test` runs a bounded part of every one. */
const CHECKS = [
  { name: 'Cold and warm plans agree: every single edit, 2,000 chains', files: ['src/core/plan/cold-and-warm'], env: {} },
  { name: 'The same plan on three engines, 49 jobs', files: ['src/core/plan/engines'], env: {} },
  { name: 'Every figure of a document at its limits', files: ['src/core/document/every-figure'], env: {} },
  {
    name: '100,000 spoilt and 2,000 random documents; damaged files',
    files: ['src/core/document/fuzz', 'src/core/formats/hostile'],
    env: { FOVEA_FUZZ: '100000', FOVEA_FUZZ_PLANS: '2000' },
  },
  { name: 'Savings against a full search, 200 sets', files: ['src/core/plan/savings-random'], env: { FOVEA_SAVINGS: '200' } },
  { name: '1,000 kills, 200 power cuts', files: ['src/data/torture'], env: { FOVEA_KILLS: '1000', FOVEA_DEEDS: '200' } },
  {
    name: 'Kinds as they start, twenty of each; ways to save by brute force; random boards, covers, sittings and cuts',
    files: [
      ...['src/core/plan/starts', 'src/core/plan/savings.test', 'src/core/plan/plan', 'src/core/plan/counting'],
      ...['src/core/cover/choices', 'src/core/cover/cuts', 'src/core/cover/inside-corners', 'src/core/mechanics/section/pull'],
      ...['src/core/seat-check/sit.test', 'src/core/inverse-crown', 'src/core/scheduling/solver/exact', 'src/workers/spread'],
    ],
    env: {},
  },
  { name: '10,000 random plans, inspected', files: ['src/core/inspection'], env: {} },
  { name: 'Paper of four kinds, read back by poppler', files: ['src/core/formats/drawn-page', 'src/core/formats/pdf.test'], env: {} },
  { name: 'Every walk in the browser; every screen in both themes at three widths', browser: ['e2e'], env: {} },
];

const rows = [];
for (const { name, files, browser, env } of CHECKS) {
  console.log(`\n== ${name}`);
  rmSync(REPORT, { force: true });
  const began = Date.now();
  const command = files
    ? ['vitest', 'run', ...files, '--testTimeout=3600000', '--reporter=default', '--reporter=json', `--outputFile.json=${REPORT}`]
    : ['playwright', 'test', ...browser];
  const { status } = spawnSync('npx', command, {
    stdio: 'inherit',
    env: { ...process.env, ...env, FOVEA_THOROUGH: '1', NEXT_TELEMETRY_DISABLED: '1' },
  });
  const found = files && existsSync(REPORT) ? JSON.parse(readFileSync(REPORT, 'utf8')) : null;
  rows.push({
    check: name,
    passed: found ? found.numPassedTests : Number(status === 0),
    failed: found ? found.numFailedTests : Number(status !== 0),
    seconds: Math.round((Date.now() - began) / 1000),
    ok: status === 0,
  });
}
console.log('');
console.table(rows.map(({ ok, ...row }) => ({ ...row, '': ok ? '' : 'FAILED' })));
process.exit(rows.every(({ ok }) => ok) ? 0 : 1);
