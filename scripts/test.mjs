// npm test: installs what is missing, then lint, format, types, boundaries, unit and end-to-end tests.
// npm test -- cover: the unit tests whose path has that word. npm test -- --changed: those that concern what is not committed yet.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { ensureTestPrograms, ensurePackages } from './ensure.mjs';

const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
const started = Date.now();
let failed = 0;
let passed = 0;
/** What failed, named again at the very end: of a long log the end is what is read. */
const failures = [];

/** Runs one check and says how it went; a check that is one command counts as one test. */
function check(name, command, args) {
  console.log(`\n== ${name}`);
  const ok = spawnSync(command, args, { stdio: 'inherit', env }).status === 0;
  if (!ok) {
    console.log(`!! ${name} failed`);
    failures.push(name);
  }
  return ok;
}

/** Runs checks at once; each counts as one test. */
async function countTogether(checks) {
  const run = ([name, command, args]) =>
    new Promise((done) => {
      const child = spawn(command, args, { env });
      const said = [];
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => said.push(part));
      child.on('error', (error) => said.push(Buffer.from(String(error))));
      child.on('close', (status) => done({ name, ok: status === 0, said: Buffer.concat(said).toString() }));
    });
  for (const { name, ok, said } of await Promise.all(checks.map(run))) {
    console.log(`\n== ${name}\n${said}`);
    if (ok) passed += 1;
    else {
      failed += 1;
      console.log(`!! ${name} failed`);
      failures.push(name);
    }
  }
}

/** Adds a reporter's own counts; a run that left no report has failed as a whole. */
function countReport(ok, file, read) {
  if (!existsSync(file)) {
    failed += 1;
    failures.push(`${file} was not written`);
    return;
  }
  const [good, bad, names] = read(JSON.parse(readFileSync(file, 'utf8')));
  passed += good;
  failed += bad;
  failures.push(...names);
  if (!ok && bad === 0) failed += 1;
}

ensurePackages();
ensureTestPrograms();
const { ensureBuilt } = await import('./build.mjs');
const { ensureTools } = await import('./generate.mjs');
await ensureTools();
rmSync('test-results', { recursive: true, force: true });
mkdirSync('test-results', { recursive: true });

/** Of a room, or of a change, the unit tests alone. */
const words = process.argv.slice(2);
if (words.length > 0) {
  const changed = words.includes('--changed');
  const files = changed
    ? execFileSync('git', ['ls-files', '--modified', '--others', '--exclude-standard', '*.ts', '*.tsx'], { encoding: 'utf8' }).split('\n')
    : words;
  const command = ['vitest', ...(changed ? ['related', '--run'] : ['run']), ...files.filter(Boolean)];
  process.exit(spawnSync('npx', command, { stdio: 'inherit', env }).status ?? 1);
}

/** What was looked at before and has the same content is not looked at again; both look at one file at a time. */
const cached = (name) => ['--cache', '--cache-strategy', 'content', '--cache-location', `node_modules/.cache/fovea-${name}`];

// The checks that only read run side by side, each on a core of its own; what they say is told one after the other.
await countTogether([
  ['lint', 'npx', ['eslint', '.', '--max-warnings', '0', ...cached('eslint')]],
  ['format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.', ...cached('prettier')]],
  ['types', 'npx', ['tsc', '--noEmit']],
  ['boundaries', 'npx', ['depcruise', 'src', 'cli', 'demo', '--config', '.dependency-cruiser.cjs']],
]);

const unit = check('unit', 'npx', ['vitest', 'run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json']);
countReport(unit, 'test-results/unit.json', (report) => [
  report.numPassedTests,
  report.numFailedTests,
  report.testResults.flatMap(({ name, status, message, assertionResults }) => {
    const failing = assertionResults.filter((one) => one.status === 'failed');
    if (failing.length === 0) return status === 'failed' ? [`${name}: ${message}`] : [];
    return failing.map(({ fullName, failureMessages }) => `${name}: ${fullName}: ${(failureMessages[0] ?? '').split('\n')[0]}`);
  }),
]);

let built = true;
try {
  await ensureBuilt();
} catch {
  built = false;
  failed += 1;
  console.log('!! the build failed');
  failures.push('the build');
}
if (built) {
  const e2e = check('end to end', 'npx', ['playwright', 'test']);
  const unexpected = ({ suites = [], specs = [] }) => [
    ...specs.filter(({ ok }) => !ok).map(({ file, title }) => `${file}: ${title}`),
    ...suites.flatMap(unexpected),
  ];
  countReport(e2e, 'test-results/e2e.json', ({ stats, suites }) => [
    stats.expected + stats.flaky,
    stats.unexpected,
    suites.flatMap(unexpected),
  ]);
}

for (const failure of failures) console.log(`!! ${failure}`);
console.log(`\n${Math.round((Date.now() - started) / 1000)} s`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
