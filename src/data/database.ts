import Database from 'better-sqlite3';
import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

export type Db = Database.Database;

const MIGRATIONS = join(process.cwd(), 'src/data/migrations');

/** The folder that holds everything the workshop has: `FOVEA_DATA`, or ./data. */
export function dataFolder(): string {
  return process.env.FOVEA_DATA ?? join(process.cwd(), 'data');
}

/** Brings a database up to date by the numbered files it has not had yet. */
function migrate(db: Db): void {
  const done = db.pragma('user_version', { simple: true }) as number;
  const files = readdirSync(MIGRATIONS)
    .filter((name) => /^\d{3}-.*\.sql$/.test(name))
    .sort();
  const known = Number(files.at(-1)!.slice(0, 3));
  if (done > known)
    throw new Error(
      `This workshop was last opened with a newer Fovea (form ${done}; this one knows ${known}). It is left as it is: open it with the newer one.`,
    );
  for (const name of files) {
    const number = Number(name.slice(0, 3));
    if (number <= done) continue;
    db.transaction(() => {
      db.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
      db.pragma(`user_version = ${number}`);
    })();
  }
}

/**
 * Opens the workshop's database and brings it up to date.
 *
 * @param [folder] where it lives; made when missing
 */
export function openDatabase(folder = dataFolder()): Db {
  mkdirSync(folder, { recursive: true });
  const db = new Database(join(folder, 'fovea.sqlite'));
  db.pragma('journal_mode = WAL');
  // What was saved must outlive a power cut.
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 5000');
  migrate(db);
  return db;
}

const kept = globalThis as { foveaDatabase?: Db };

/** The one connection of this process; development reloads share it. */
export function database(): Db {
  kept.foveaDatabase ??= openDatabase();
  return kept.foveaDatabase;
}
