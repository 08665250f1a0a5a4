import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach } from 'vitest';
import { openDatabase, type Db } from '../data/database';

/** A workshop of its own for every test of a file. */
export type Workshop = { folder: string; db: Db };

/** Gives every test a new workshop in a new folder, and takes it away again. */
export function eachInItsOwn(): Workshop {
  const workshop = {} as Workshop;
  beforeEach(() => {
    workshop.folder = mkdtempSync(join(tmpdir(), 'fovea-'));
    workshop.db = openDatabase(workshop.folder);
  });
  afterEach(() => {
    if (workshop.db.open) workshop.db.close();
    rmSync(workshop.folder, { recursive: true, force: true });
  });
  return workshop;
}
