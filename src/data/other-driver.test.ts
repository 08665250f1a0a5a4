// The tests of the data once more, with the driver by which a workshop grows past one machine (in its local mode: no server
// is needed to test it). Each file is a process of its own: nothing here reaches the others.
import { mkdtempSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { openDatabase } from './database';

process.env.FOVEA_DRIVER = 'libsql';
await import('./data.test');
await import('./holding-up.test');

it('is the other driver indeed', () => {
  const folder = mkdtempSync(join(tmpdir(), 'fovea-'));
  const db = openDatabase(folder);
  expect(db).toBeInstanceOf(createRequire(import.meta.url)('libsql'));
  db.close();
  rmSync(folder, { recursive: true });
});
