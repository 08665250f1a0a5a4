// Installs what is missing, and only then: a stamp of the lock file tells whether node_modules is as it should be.
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';

const STAMP = 'node_modules/.fovea-lock';

/** A hash of files' contents. */
export function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(readFileSync(file));
  return hash.digest('hex');
}

/** Runs a command with its output shown; throws when it fails. */
export function run(command, args, options = {}) {
  // What a command says while things are made ready is no part of any output.
  execFileSync(command, args, {
    stdio: ['inherit', 2, 2],
    ...options,
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...options.env },
  });
}

/** Makes node_modules what the lock file says. */
export function ensurePackages() {
  const wanted = hashOf(['package-lock.json']);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  console.error('Installing packages…');
  // Not `npm ci`: it refuses a lock file made where other systems' optional packages cannot be had. This keeps to the
  // lock file's versions all the same and leaves the file alone.
  run('npm', ['install', '--include=dev', '--no-save', '--no-audit', '--no-fund']);
  writeFileSync(STAMP, wanted);
}

/** Debian's packages that the tests need, by the program that each brings: the browser, and a reader of printed pages. */
const TEST_PROGRAMS = { '/usr/bin/chromium': 'chromium', '/usr/bin/pdftotext': 'poppler-utils' };

/** Installs what the tests need of Debian's and is not there. */
export function ensureTestPrograms() {
  const missing = Object.entries(TEST_PROGRAMS).flatMap(([program, name]) => (existsSync(program) ? [] : [name]));
  if (missing.length === 0) return;
  console.error(`Installing ${missing.join(' and ')}…`);
  run('apt-get', ['update']);
  run('apt-get', ['install', '-y', '--no-install-recommends', ...missing], { env: { DEBIAN_FRONTEND: 'noninteractive' } });
}

if (process.argv[1] === import.meta.filename) ensurePackages();
