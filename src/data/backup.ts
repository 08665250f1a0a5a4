import { createHash } from 'node:crypto';
import {
  closeSync,
  copyFileSync,
  createReadStream,
  existsSync,
  fsyncSync,
  linkSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { create, extract, type ReadEntry } from 'tar';
import { damageOf, DATABASE_FILE, openDatabase, syncFolder, type Db } from './database';
import { WorkshopTrouble } from './trouble';
import { holderOf } from './workshop-lock';

/** What a backup says of itself. */
type Manifest = { form: 'fovea.backup/1'; madeAt: string; files: { name: string; size: number; sha256: string }[] };

/** A backup that was looked through from end to end. */
export type CheckedBackup = { madeAt: string; pieces: number; log: number; photos: number };

/** A backup in the workshop's folder. */
export type KeptBackup = { name: string; madeAt: string; size: number };

/** What is wrong with a backup, in words. */
export class BadBackup extends Error {
  override readonly name = 'BadBackup';
}

const FOLDER = 'backups';
const NAME = /^fovea-(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})Z\.tar\.gz$/;
const MANIFEST = 'manifest.json';
/** The only things that may be in a backup; nothing else is ever unpacked. */
const MEMBER = /^(manifest\.json|fovea\.sqlite|photos\/[0-9a-f]{64}\.(jpg|png|webp))$/;
/** A larger workshop is moved by its folder, bytes. */
const LARGEST = 50_000_000_000;

async function hashOf(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/** Puts a file's content down to the disk. */
function settle(file: string): void {
  const handle = openSync(file, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

/** The same file in another place without a second copy of it where the disk allows that. */
function linked(from: string, to: string): void {
  try {
    linkSync(from, to);
  } catch {
    copyFileSync(from, to);
  }
}

/** Where a new backup goes: two within a second do not take each other's place. */
function freeName(backups: string, madeAt: string): string {
  for (let at = Date.parse(madeAt); ; at += 1000) {
    const path = join(backups, `fovea-${new Date(at).toISOString().slice(0, 19).replaceAll(':', '-')}Z.tar.gz`);
    if (!existsSync(path)) return path;
  }
}

/**
 * Makes a backup while the workshop is in use: the database and every photo in one archive, each with its hash.
 *
 * @param db the workshop's database
 * @param folder the workshop's
 * @param [to] the archive; in the workshop's folder where it is left out
 * @returns the archive's path
 */
export async function makeBackup(db: Db, folder: string, to?: string): Promise<string> {
  const madeAt = new Date().toISOString();
  const backups = join(folder, FOLDER);
  mkdirSync(backups, { recursive: true });
  const making = mkdtempSync(join(backups, '.making-'));
  try {
    await db.backup(join(making, DATABASE_FILE));
    mkdirSync(join(making, 'photos'));
    const photos = existsSync(join(folder, 'photos'))
      ? readdirSync(join(folder, 'photos')).filter((name) => MEMBER.test(`photos/${name}`))
      : [];
    for (const name of photos) linked(join(folder, 'photos', name), join(making, 'photos', name));
    const names = [DATABASE_FILE, ...photos.map((name) => `photos/${name}`)];
    const files: Manifest['files'] = [];
    for (const name of names) {
      const path = join(making, name);
      files.push({ name, size: statSync(path).size, sha256: await hashOf(path) });
    }
    writeFileSync(join(making, MANIFEST), JSON.stringify({ form: 'fovea.backup/1', madeAt, files } satisfies Manifest, null, 2));
    const target = to ?? freeName(backups, madeAt);
    // Written aside first: a backup is there whole or not at all.
    const aside = join(making, 'archive.part');
    await create({ gzip: true, file: aside, cwd: making, portable: true }, [MANIFEST, ...names]);
    settle(aside);
    if (to) {
      copyFileSync(aside, `${target}.part`);
      settle(`${target}.part`);
      renameSync(`${target}.part`, target);
    } else {
      renameSync(aside, target);
      syncFolder(backups);
    }
    return target;
  } finally {
    rmSync(making, { recursive: true, force: true });
  }
}

/** Unpacks an archive, and nothing that does not belong in one. */
async function unpacked(file: string, into: string): Promise<Manifest> {
  let size = 0;
  try {
    await extract({
      file,
      cwd: into,
      strict: true,
      filter: (path, entry) => {
        size += (entry as ReadEntry).size ?? 0;
        if (size > LARGEST) throw new BadBackup('This backup unpacks to far more than a workshop has.');
        return MEMBER.test(path) && (entry as ReadEntry).type !== 'SymbolicLink' && (entry as ReadEntry).type !== 'Link';
      },
    });
  } catch (error) {
    if (error instanceof BadBackup) throw error;
    throw new BadBackup('This backup breaks off or is damaged: it cannot be unpacked.', { cause: error });
  }
  let manifest: Manifest;
  try {
    manifest = JSON.parse(readFileSync(join(into, MANIFEST), 'utf8')) as Manifest;
  } catch (error) {
    throw new BadBackup('This is not a backup of a workshop: it has no list of what is in it.', { cause: error });
  }
  if (manifest.form !== 'fovea.backup/1' || !Array.isArray(manifest.files) || !manifest.files.some(({ name }) => name === DATABASE_FILE))
    throw new BadBackup('This is not a backup that this application knows.');
  return manifest;
}

/** Compares what was unpacked with what the backup says of itself, and looks through its database. */
async function examined(into: string, { files, madeAt }: Manifest): Promise<CheckedBackup> {
  for (const { name, size, sha256 } of files) {
    if (typeof name !== 'string' || !MEMBER.test(name)) throw new BadBackup('This backup lists a file that does not belong in one.');
    const path = join(into, name);
    if (!existsSync(path)) throw new BadBackup(`This backup lacks ${name}.`);
    if (statSync(path).size !== size || (await hashOf(path)) !== sha256)
      throw new BadBackup(`This backup is damaged: ${name} is not what was put in.`);
  }
  const copy = mkdtempSync(join(tmpdir(), 'fovea-look-'));
  try {
    // Looking may bring an older form up to date: that is done to a copy.
    copyFileSync(join(into, DATABASE_FILE), join(copy, DATABASE_FILE));
    const db = openDatabase(copy);
    try {
      const damage = damageOf(db);
      if (damage) throw new BadBackup('The database in this backup is damaged.');
      const count = (table: string): number => (db.prepare(`SELECT count(*) AS n FROM ${table}`).get() as { n: number }).n;
      return {
        madeAt,
        pieces: count('piece'),
        log: count('log_entry'),
        photos: files.filter(({ name }) => name.startsWith('photos/')).length,
      };
    } finally {
      db.close();
    }
  } catch (error) {
    if (error instanceof WorkshopTrouble) throw new BadBackup(`The database in this backup: ${error.message}`, { cause: error });
    throw error;
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
}

/**
 * Looks a backup through from end to end.
 *
 * @param file the archive
 * @throws BadBackup with what is wrong
 */
export async function checkBackup(file: string): Promise<CheckedBackup> {
  if (!existsSync(file)) throw new BadBackup(`There is no ${basename(file)}.`);
  const into = mkdtempSync(join(tmpdir(), 'fovea-check-'));
  try {
    return await examined(into, await unpacked(file, into));
  } finally {
    rmSync(into, { recursive: true, force: true });
  }
}

/**
 * Puts a backup back. It is looked through first; what the folder had is put aside in it, not thrown away.
 *
 * @param file the archive
 * @param folder the workshop's; made when missing. No application may have it open
 * @param [before] done once the backup was found whole, before anything is changed
 * @returns what is there now, and where what was there before lies
 * @throws BadBackup where it is not whole, or another process has the workshop open: nothing is changed then
 */
export async function restoreBackup(file: string, folder: string, before?: () => void): Promise<CheckedBackup & { aside: string | null }> {
  if (!existsSync(file)) throw new BadBackup(`There is no ${basename(file)}.`);
  const holder = holderOf(folder);
  if (holder)
    throw new BadBackup(
      `This workshop is open: process ${holder.pid} serves it on ${holder.address}. Stop it first, then restore. Nothing was changed.`,
    );
  mkdirSync(folder, { recursive: true });
  const into = mkdtempSync(join(folder, '.restoring-'));
  try {
    const manifest = await unpacked(file, into);
    const found = await examined(into, manifest);
    mkdirSync(join(into, 'photos'), { recursive: true });
    for (const { name } of manifest.files) settle(join(into, name));
    before?.();
    const had = [DATABASE_FILE, `${DATABASE_FILE}-wal`, `${DATABASE_FILE}-shm`, 'photos'].filter((name) => existsSync(join(folder, name)));
    const aside = had.length > 0 ? join(folder, `before-restore-${new Date().toISOString().replace(/[:.]/g, '-')}`) : null;
    if (aside) {
      mkdirSync(aside);
      for (const name of had) renameSync(join(folder, name), join(aside, name));
    }
    for (const name of ['photos', DATABASE_FILE]) renameSync(join(into, name), join(folder, name));
    syncFolder(folder);
    return { ...found, aside };
  } finally {
    rmSync(into, { recursive: true, force: true });
  }
}

/** The backups in a workshop's folder, newest first. */
export function listBackups(folder: string): KeptBackup[] {
  const backups = join(folder, FOLDER);
  if (!existsSync(backups)) return [];
  return readdirSync(backups)
    .flatMap((name): KeptBackup[] => {
      const found = NAME.exec(name);
      if (!found) return [];
      const [, day, hour, minute, second] = found;
      return [{ name, madeAt: `${day}T${hour}:${minute}:${second}Z`, size: statSync(join(backups, name)).size }];
    })
    .sort((a, b) => (a.madeAt < b.madeAt ? 1 : -1));
}

/** The path of a kept backup by its name, or null. */
export function backupFile(folder: string, name: string): string | null {
  const path = join(folder, FOLDER, name);
  return NAME.test(name) && existsSync(path) ? path : null;
}

/**
 * Takes away all but the newest backups; what a stopped backup left behind goes too.
 *
 * @param folder the workshop's
 * @param keep so many stay
 * @param [made] the one that was made just now: it stays, whatever the clock has done to its name
 */
export function thinBackups(folder: string, keep: number, made = ''): void {
  for (const { name } of listBackups(folder).slice(Math.max(1, keep))) if (!made.endsWith(name)) rmSync(join(folder, FOLDER, name));
  const backups = join(folder, FOLDER);
  if (!existsSync(backups)) return;
  for (const name of readdirSync(backups)) {
    const path = join(backups, name);
    if (name.startsWith('.making-') && Date.now() - statSync(path).mtimeMs > 3_600_000) rmSync(path, { recursive: true });
  }
}
