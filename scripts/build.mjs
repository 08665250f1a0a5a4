// Builds the application unless the built one is of the same sources.
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { hashOf, run } from './ensure.mjs';
import { ensureTools, sourcesBelow } from './generate.mjs';

const STAMP = '.next/fovea-sources';

/** Brings .next up to date with the sources. */
export async function ensureBuilt() {
  await ensureTools();
  const sources = [...sourcesBelow('src', 'public'), 'package-lock.json', 'next.config.ts', 'postcss.config.mjs'];
  const wanted = hashOf(sources);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  console.error('Building…');
  rmSync(STAMP, { force: true });
  run('npx', ['next', 'build']);
  writeFileSync(STAMP, wanted);
}

if (process.argv[1] === import.meta.filename) await ensureBuilt();
