// Builds the application unless the built one is of the same sources.
import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { hashOf, run } from './ensure.mjs';

const STAMP = '.next/fovea-sources';

function filesBelow(folder) {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
    .sort();
}

/** Brings .next up to date with the sources. */
export function ensureBuilt() {
  const sources = [
    ...filesBelow('src').filter((file) => !file.endsWith('.test.ts')),
    ...filesBelow('public'),
    'package-lock.json',
    'next.config.ts',

    'postcss.config.mjs',
  ];
  const wanted = hashOf(sources);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  console.log('Building…');
  rmSync(STAMP, { force: true });
  run('npx', ['next', 'build']);
  writeFileSync(STAMP, wanted);
}

if (process.argv[1] === import.meta.filename) ensureBuilt();
