// npm run reliability: kills, power cuts, damaged documents and files, many writers, a grown workshop under load – in one
// run, which writes docs/reliability.md itself. About half an hour.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { ensurePackages } from './ensure.mjs';

ensurePackages();
const { ensureBuilt } = await import('./build.mjs');
await ensureBuilt();
/** What is done, each with the figures it leaves: all in one run, or one again by its name. */
const KILLS = process.env.FOVEA_KILLS ?? '1000';
const FUZZ = process.env.FOVEA_FUZZ ?? '10000';
const PLANS = process.env.FOVEA_FUZZ_PLANS ?? '200';
const PARTS = {
  kills: ['npx', ['vitest', 'run', 'src/data/torture']],
  writers: ['npx', ['vitest', 'run', 'src/data/holding-up.test.ts']],
  damage: ['npx', ['vitest', 'run', 'src/core/document/fuzz.test.ts', 'src/core/formats/hostile.test.ts']],
  load: [process.execPath, ['bench/load.bench.mjs']],
};
const RECORD = 'test-results/reliability.json';
const measured = 'test-results/measured.jsonl';
const env = {
  ...process.env,
  FOVEA_MEASURED: measured,
  FOVEA_KILLS: KILLS,
  FOVEA_DEEDS: process.env.FOVEA_DEEDS ?? '100',
  FOVEA_FUZZ: FUZZ,
  FOVEA_FUZZ_PLANS: PLANS,
  FOVEA_LONG: '1',
  FOVEA_LOAD_SECONDS: process.env.FOVEA_LOAD_SECONDS ?? '600',
};
mkdirSync('test-results', { recursive: true });
const wanted = process.argv.slice(2).filter((name) => name in PARTS);
const record = wanted.length > 0 && existsSync(RECORD) ? JSON.parse(readFileSync(RECORD, 'utf8')) : {};
for (const name of wanted.length > 0 ? wanted : Object.keys(PARTS)) {
  console.log(`\n== ${name}`);
  rmSync(measured, { force: true });
  const ok = spawnSync(PARTS[name][0], PARTS[name][1], { stdio: 'inherit', env }).status === 0;
  const lines = existsSync(measured) ? readFileSync(measured, 'utf8').split('\n').filter(Boolean) : [];
  record[name] = { ok, at: new Date().toISOString(), figures: Object.fromEntries(lines.map((line) => JSON.parse(line))) };
  writeFileSync(RECORD, JSON.stringify(record, null, 2));
}
const failed = Object.keys(PARTS).filter((name) => !record[name]?.ok);
const found = Object.assign({}, ...Object.values(record).map(({ figures }) => figures));
const when = [...new Set(Object.values(record).map(({ at }) => at.slice(0, 10)))].join(' and ');
const { kills, cuts, writers, documents, plans, load } = found;
const files = Object.entries(found).filter(([what]) => what.startsWith('files '));
const kinds = files.map(([what]) => what.slice(6)).join(', ');
const figure = (value, unit = '') => (value === undefined ? 'not measured' : `${Math.round(value).toLocaleString('en-GB')}${unit}`);
const rows = [
  ['Killed (SIGKILL) while it saved, ticked, kept photos, logged and backed up', `${figure(kills?.kills)} times`, '1,000'],
  ['Done and told before those kills, of it lost', `${figure(kills?.told)}, ${figure(kills?.lost)} lost`, '0 lost'],
  ['Power cut at a point where something was put down to the disk', `${figure(cuts?.cuts)} times`, 'every point'],
  ['Done and told before those cuts, of it lost', `${figure(cuts?.told)}, ${figure(cuts?.lost)} lost`, '0 lost'],
  [
    'Interleaved saves of two writers, silently overwritten',
    `${figure(writers?.saves)}, ${figure(writers?.overwritten)} overwritten`,
    '10,000, 0',
  ],
  [
    'Damaged documents, of them refused in words (the others are taken)',
    `${figure(documents?.made)}, ${figure(documents?.refused)} refused`,
    '10,000',
  ],
  [
    'Documents changed at random that are taken: planned to finite figures; the slowest',
    `${figure(plans?.planned)}; ${figure(plans?.longest, ' ms')}`,
    'all within 3 s',
  ],
  [
    `Damaged files of each format (${kinds || 'none'}); the slowest`,
    `${figure(Math.min(...files.map(([, own]) => own.made)))}; ${figure(Math.max(...files.map(([, own]) => own.longest)), ' ms')}`,
    '10,000 within 2 s',
  ],
  ['Under load: a tick, 95th percentile', figure(load?.tick95, ' ms'), '200 ms'],
  ['Under load: a save, 95th percentile', figure(load?.save95, ' ms'), '200 ms'],
  ['Under load: a search of the log, 95th percentile', figure(load?.log95, ' ms'), '200 ms'],
  [
    'Under load: first bytes of the floor, median and 95th percentile',
    `${figure(load?.floor50)} and ${figure(load?.floor95, ' ms')}`,
    '150 ms',
  ],
  [
    `Memory of the server before and after ${figure(load?.seconds)} s of load`,
    `${figure(load?.memoryBefore)} and ${figure(load?.memoryAfter, ' MB')}`,
    'flat',
  ],
];
writeFileSync(
  'docs/reliability.md',
  `# What it outlives

Written by \`npm run reliability\` on ${when}, on a machine of ${cpus().length} cores.
${failed.length > 0 ? `\n**Failed: ${failed.join(', ')}.**\n` : ''}
| What was done | Found | Wanted |
| --- | --- | --- |
${rows.map((row) => `| ${row.join(' | ')} |`).join('\n')}

The load: ${figure(load?.pieces)} pieces on the floor, ${figure(load?.log)} jobs in the log, ${figure(load?.tablets)} tablets that tick once a second and
look at the floor now and then, somebody who saves every two seconds.

## What survives what

| What happens | What is left |
| --- | --- |
| The application is killed | Everything that was answered. SQLite keeps it in its write-ahead log and takes it up at the next start. |
| The power is cut | Everything that was answered: a save is answered after it is on the disk (\`synchronous = FULL\`), a photo and a backup are put down before they get their names, and so are the names. |
| An answer is lost | The page sends the save again under the same id; it is known again and answered again. |
| The disk is full, the folder cannot be written | Nothing is changed, the page says so and keeps what was typed, and tries again. |
| A bad sector, a damaged file | Looked for at every start and daily (\`quick_check\`); a damaged database is left as it is, the last good backup is named and never pushed out by one of a damaged database. One damaged record takes no other with it and can be taken back to its last whole version. |
| A newer Fovea wrote the folder | It is not even opened: opening writes. |
| Two write at once | One is saved, the other is put aside, whole, and offered. |
| A backup is damaged | It is recognised by the hash of each of its files, and nothing is changed. |
| The machine is lost | What a backup elsewhere has. A backup in the same folder is no help then. |

How it is proved: \`src/data/torture\` (kills; a record of every file operation below SQLite, replayed onto a disk that loses
all it may), \`src/data/holding-up.test.ts\`, \`src/core/document/fuzz.test.ts\`, \`src/core/formats/hostile.test.ts\`. Bounded runs
of all of them are part of \`npm test\`.
`,
);
spawnSync('npx', ['prettier', '--write', 'docs/reliability.md'], { stdio: 'ignore' });
console.log(`\ndocs/reliability.md is written${failed.length > 0 ? `; failed: ${failed.join(', ')}` : ''}.`);
process.exit(failed.length > 0 ? 1 : 0);
