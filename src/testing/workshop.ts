import Database from 'better-sqlite3';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach } from 'vitest';
import { DATABASE_FILE, openDatabase, type Db } from '../data/database';

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

const MIGRATIONS = 'src/data/migrations';

/**
 * A workshop as it stood at an earlier form of its database.
 *
 * @param form the last of the numbered files that it has had
 * @param fill puts into it what was there
 * @returns its folder
 */
export function workshopOfForm(form: number, fill: (db: Db) => void): string {
  const folder = mkdtempSync(join(tmpdir(), 'fovea-'));
  const db = new Database(join(folder, DATABASE_FILE));
  for (const name of readdirSync(MIGRATIONS).sort())
    if (Number(name.slice(0, 3)) <= form) db.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
  db.pragma(`user_version = ${form}`);
  fill(db);
  db.close();
  return folder;
}
