import Database from 'better-sqlite3';
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { join } from 'node:path';
import { troubleOf, WorkshopTrouble } from './trouble';

export type Db = Database.Database;

/** Where the application itself lies: where it was started, unless the command line says otherwise. */
const HOME = process.env.FOVEA_HOME ?? process.cwd();
const MIGRATIONS = join(HOME, 'src/data/migrations');

/** The file in the workshop's folder. */
export const DATABASE_FILE = 'fovea.sqlite';

/** Ids of saves are remembered so long: a page that was asleep for longer asks its user. Days. */
const SAVES_KEPT = 30;

/** The folder that holds everything the workshop has: `FOVEA_DATA`, or ./data. */
export function dataFolder(): string {
  return process.env.FOVEA_DATA ?? join(process.cwd(), 'data');
}

/** Numbered files, each a step from one form of the database to the next. */
function migrations(): string[] {
  return readdirSync(MIGRATIONS)
    .filter((name) => /^\d{3}-.*\.sql$/.test(name))
    .sort();
}

/** The newest form of the database that this application knows. */
export function newestForm(): number {
  return Number(migrations().at(-1)!.slice(0, 3));
}

/** The form that an open database has. */
export function formIn(db: Db): number {
  return (db.prepare('PRAGMA user_version').get() as { user_version: number }).user_version;
}

const newer = (form: number): WorkshopTrouble =>
  new WorkshopTrouble('newer', `The database has form ${form}; this Fovea reads up to ${newestForm()}.`);

/** Brings a database up to date by the numbered files it has not had yet, each whole or not at all. */
function migrate(db: Db): void {
  for (const name of migrations()) {
    const number = Number(name.slice(0, 3));
    if (number <= formIn(db)) continue;
    db.transaction(() => {
      db.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
      db.pragma(`user_version = ${number}`);
    })();
  }
}

/** The form that a database file says it has, without opening it: the four bytes at 60 of its header. */
function formOf(file: string): number {
  const header = Buffer.alloc(100);
  const handle = openSync(file, 'r');
  try {
    if (readSync(handle, header, 0, 100, 0) < 100 || header.toString('latin1', 0, 16) !== 'SQLite format 3\0')
      throw new WorkshopTrouble('damaged', 'The file is not a database.');
  } finally {
    closeSync(handle);
  }
  return header.readUInt32BE(60);
}

/** Makes sure that what a folder lists outlives a power cut. */
export function syncFolder(folder: string): void {
  const handle = openSync(folder, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

/** A statement is prepared once and kept: preparing costs more than most of them do. */
function keepPrepared(db: Db): Db {
  const prepare = db.prepare.bind(db) as (sql: string) => Database.Statement;
  const shared = new Map<string, Database.Statement>();
  db.prepare = ((sql: string) => {
    const known = shared.get(sql) ?? prepare(sql);
    shared.set(sql, known);
    return known;
  }) as typeof db.prepare;
  return db;
}

/** What a connection needs: readers beside a writer, and a save that is answered only when it is on the disk. */
function ready(db: Db): Db {
  db.pragma('journal_mode = WAL');
  // What was saved must outlive a power cut.
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 5000');
  return db;
}

/** A workshop's first database is made aside and put in its place whole: an empty file is never a new one. */
function create(folder: string, file: string): void {
  const aside = `${file}.new`;
  for (const end of ['', '-wal', '-shm', '-journal']) rmSync(aside + end, { force: true });
  const db = ready(new Database(aside));
  migrate(db);
  db.close();
  renameSync(aside, file);
  syncFolder(folder);
}

/**
 * Looks for damage.
 *
 * @param db open
 * @returns null where it is whole, or what SQLite says
 */
export function damageOf(db: Db): string | null {
  const found = db.prepare('PRAGMA quick_check(1)').all() as Record<string, string>[];
  const says = Object.values(found[0] ?? {})[0];
  return says === 'ok' ? null : String(says);
}

/** A copy of the database before it is brought to a newer form: it lies beside it until the next one. */
function keepOld(db: Db, file: string, form: number): void {
  const copy = `${file}.form-${form}`;
  if (existsSync(copy)) return;
  // Written aside first: half a copy must not be taken for the whole.
  rmSync(`${copy}.part`, { force: true });
  db.prepare('VACUUM INTO ?').run(`${copy}.part`);
  renameSync(`${copy}.part`, copy);
}

function opened(folder: string): Db {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, DATABASE_FILE);
  if (!existsSync(file)) create(folder, file);
  if (statSync(file).size === 0) throw new WorkshopTrouble('empty');
  // A database of a newer form is not even opened: opening writes.
  if (formOf(file) > newestForm()) throw newer(formOf(file));
  const db = new Database(file);
  try {
    const form = formIn(db);
    if (form > newestForm()) throw newer(form);
    const damage = damageOf(db);
    if (damage) throw new WorkshopTrouble('damaged', '', { cause: new Error(damage) });
    ready(db);
    if (form > 0 && form < newestForm()) keepOld(db, file, form);
    migrate(db);
    db.prepare('DELETE FROM save WHERE saved_at < ?').run(new Date(Date.now() - SAVES_KEPT * 86_400_000).toISOString());
    return keepPrepared(db);
  } catch (error) {
    db.close();
    throw error;
  }
}

/**
 * Opens the workshop's database and brings it up to date.
 *
 * @param [folder] where it lives; made when missing
 * @throws WorkshopTrouble in words for the owner; a newer, damaged or empty database is left as it is
 */
export function openDatabase(folder = dataFolder()): Db {
  try {
    return opened(folder);
  } catch (error) {
    throw troubleOf(error) ?? error;
  }
}

const shared = globalThis as {
  foveaDatabase?: Db | undefined;
  foveaDatabaseFile?: FileIdentity | null;
  foveaOpenings?: number;
  foveaCloses?: boolean;
};

/** How often this process has opened the workshop: after a restore the same id and revision may be another piece. */
export const openings = (): number => shared.foveaOpenings ?? 0;

/** Which file of a disk one is, whatever it is called. */
type FileIdentity = { dev: number; ino: number };

/** The file that stands at the workshop's path now; null where nothing stands there. */
function fileAtPath(): FileIdentity | null {
  const found = statSync(join(dataFolder(), DATABASE_FILE), { throwIfNoEntry: false });
  return found ? { dev: found.dev, ino: found.ino } : null;
}

/** Whether the file that is open is still the workshop's: after a restore, or a move of the folder, saves would go to a file nobody opens. */
function isStillThere(): boolean {
  const [opened, now] = [shared.foveaDatabaseFile ?? null, fileAtPath()];
  return opened === null || (now !== null && now.dev === opened.dev && now.ino === opened.ino);
}

/** A clean stop leaves nothing in the write-ahead log: the file alone is then the whole workshop. */
function closeAtExit(): void {
  if (shared.foveaCloses) return;
  shared.foveaCloses = true;
  process.once('exit', () => {
    const db = shared.foveaDatabase;
    if (!db?.open) return;
    // What was moved away is closed and left as it is.
    if (isStillThere()) db.pragma('wal_checkpoint(TRUNCATE)');
    db.close();
  });
}

/**
 * The one connection of this process; development reloads share it. What could not be opened is tried again.
 *
 * @throws WorkshopTrouble where another file stands in the open one's place: nothing is read or written then
 */
export function database(): Db {
  if (shared.foveaDatabase?.open && !isStillThere()) throw new WorkshopTrouble('moved');
  if (!shared.foveaDatabase?.open) {
    const db = openDatabase();
    shared.foveaDatabase = db;
    shared.foveaDatabaseFile = fileAtPath();
    shared.foveaOpenings = openings() + 1;
    closeAtExit();
  }
  return shared.foveaDatabase!;
}

/** Closes the connection of this process; it is opened anew when it is asked for. Nothing is left in the log beside the file. */
export function closeDatabase(): void {
  const db = shared.foveaDatabase;
  if (!db?.open) return;
  db.pragma('wal_checkpoint(TRUNCATE)');
  db.close();
  shared.foveaDatabase = undefined;
  shared.foveaDatabaseFile = null;
}
