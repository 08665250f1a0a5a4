// What is made from the sources before anything runs: the document's validator, the command line, the planning threads.
import { build } from 'esbuild';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { hashOf, run } from './ensure.mjs';

const STAMPS = 'node_modules/.fovea';

/** Every source below some folders, tests left out. */
export function sourcesBelow(...folders) {
  return folders
    .flatMap((folder) => readdirSync(folder, { recursive: true, withFileTypes: true }))
    .filter((entry) => entry.isFile() && !/\.test\.tsx?$/.test(entry.name) && entry.name !== 'validator.js')
    .map((entry) => join(entry.parentPath, entry.name))
    .sort();
}

/** Does the work unless it was done for the very same sources. */
async function once(name, files, made, work) {
  const stamp = join(STAMPS, name);
  const wanted = hashOf(files);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted && made.every((file) => existsSync(file))) return;
  await work();
  mkdirSync(STAMPS, { recursive: true });
  writeFileSync(stamp, wanted);
}

/** The document's schema compiled ahead of time: a page under our content policy may not make code while it runs. */
export async function ensureValidator() {
  // The schema takes its lists from these.
  const rooms = ['fields', 'heights', 'outline', 'pad-forms', 'pad-rims', 'piece', 'foam', 'cloth', 'loaders', 'house'];
  const files = rooms.map((room) => `src/core/${room}`);
  await once('validator', [...sourcesBelow(...files), 'scripts/validator.mjs'], ['src/core/document/validator.js'], () =>
    run('npx', ['tsx', 'scripts/validator.mjs']),
  );
}

/** The command line and the planning threads, each in one file. */
export async function ensureTools() {
  await ensureValidator();
  const made = ['dist/fovea.mjs', 'dist/planning.mjs'];
  await once(
    'tools',
    [...sourcesBelow('src/core', 'src/data', 'src/server/planning', 'cli'), 'package-lock.json', import.meta.filename],
    made,
    () =>
      build({
        entryPoints: { fovea: 'cli/fovea.ts', planning: 'src/server/planning/entry.ts' },
        outdir: 'dist',
        outExtension: { '.js': '.mjs' },
        bundle: true,
        splitting: true,
        format: 'esm',
        platform: 'node',
        target: 'node20',
        minify: true,
        chunkNames: 'part-[hash]',
        logLevel: 'warning',
        // Native parts are loaded, not bundled.
        external: ['better-sqlite3', 'highs'],
        // A few packages still ask for others by CommonJS.
        banner: {
          js: "#!/usr/bin/env node\nimport { createRequire as __requireOf } from 'node:module'; const require = __requireOf(import.meta.url);",
        },
      }),
  );
}

if (process.argv[1] === import.meta.filename) await ensureTools();
