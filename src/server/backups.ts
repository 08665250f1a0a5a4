import { createReadStream, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { Readable } from 'node:stream';
import { backupFile, BadBackup, checkBackup, listBackups, makeBackup, restoreBackup, thinBackups, type KeptBackup } from '../data/backup';
import { sweepPhotos } from '../data/photos';
import { holdWorkshop } from '../data/workshop-lock';
import { closeDatabase, damageOf, database, dataFolder } from '../data/database';
import { eventLog } from './event-log';
import { isEmpty } from './demo';
import { openAtStart } from './entrance/network';
import { readBytes, Refusal } from './http';

/** So many backups are kept unless FOVEA_BACKUPS says otherwise; 0 makes none by itself. */
const KEPT = 14;
const DAY = 86_400_000;
/** After a start the workshop is given so long before its first backup, ms. */
const FIRST = 60_000;

const keep = (): number => {
  const value = Number(process.env.FOVEA_BACKUPS ?? KEPT);
  return Number.isInteger(value) && value >= 0 ? value : KEPT;
};

/** When the newest backup was made, or null. */
export function lastBackup(): string | null {
  try {
    return listBackups(dataFolder())[0]?.madeAt ?? null;
  } catch {
    return null;
  }
}

const under = globalThis as { foveaBackup?: Promise<KeptBackup> | undefined };

/** Makes a backup; whoever asks while one is being made gets that one. */
async function backUp(): Promise<KeptBackup> {
  under.foveaBackup ??= (async () => {
    try {
      const path = await makeBackup(database(), dataFolder());
      thinBackups(dataFolder(), keep(), path);
      eventLog().info('A backup was made');
      return listBackups(dataFolder()).find(({ name }) => path.endsWith(name))!;
    } finally {
      under.foveaBackup = undefined;
    }
  })();
  return under.foveaBackup;
}

/** GET /api/backups */
export function readBackups(): Response {
  return Response.json({ backups: listBackups(dataFolder()), keep: keep() });
}

/** POST /api/backups: makes one now. */
export async function postBackup(): Promise<Response> {
  return Response.json(await backUp(), { status: 201 });
}

/** GET /api/backups/NAME: the archive, to keep elsewhere. */
export function getBackup(name: string): Response {
  const path = backupFile(dataFolder(), name);
  if (!path) throw new Refusal(404, 'There is no such backup');
  return new Response(Readable.toWeb(createReadStream(path)) as ReadableStream, {
    headers: {
      'content-type': 'application/gzip',
      'content-length': String(statSync(path).size),
      'content-disposition': `attachment; filename="${name}"`,
    },
  });
}

/** A backup that the page sends has at most so much, bytes: the proxy holds a whole body. A larger one is copied into the folder. */
const LARGEST = 20_000_000;

/** What is done with a larger one. */
const tooLarge = (): string =>
  `This backup is larger than 20 MB. Copy the file into ${join(dataFolder(), 'backups')} and put it back from the list on the page Workshop.`;

/** What was put back: how much of it there is, and the backup that was made of the workshop before. */
type PutBack = { pieces: number; log: number; photos: number; before: string | null };

/** Puts an archive in the place of the workshop. It is looked through first, and what is there is backed up first. */
async function putBack(file: string): Promise<Response> {
  try {
    await checkBackup(file);
    const db = database();
    // Not thinned: the backup that is put back may be the oldest that is kept.
    const before = isEmpty(db) ? null : basename(await makeBackup(db, dataFolder()));
    const { pieces, log, photos } = await restoreBackup(file, dataFolder(), closeDatabase);
    eventLog().info('A backup was put back');
    return Response.json({ pieces, log, photos, before } satisfies PutBack, { status: 201 });
  } catch (error) {
    if (error instanceof BadBackup) throw new Refusal(422, error.message);
    throw error;
  }
}

/** POST /api/restore: puts back a backup that the page sends; `?replace=1` where the workshop has pieces. */
export async function postRestore(request: Request): Promise<Response> {
  if (!isEmpty(database()) && new URL(request.url).searchParams.get('replace') !== '1')
    throw new Refusal(409, 'This workshop has pieces. Put the backup back on the page Workshop: it asks first.');
  const aside = mkdtempSync(join(tmpdir(), 'fovea-brought-'));
  try {
    const file = join(aside, 'brought.tar.gz');
    writeFileSync(file, await readBytes(request, LARGEST, tooLarge()));
    return await putBack(file);
  } finally {
    rmSync(aside, { recursive: true, force: true });
  }
}

/** POST /api/backups/NAME: puts back one of the workshop's backups. */
export async function postPutBack(name: string): Promise<Response> {
  const file = backupFile(dataFolder(), name);
  if (!file) throw new Refusal(404, 'There is no such backup');
  return putBack(file);
}

/** What is done daily: the database looked through, half photos swept out, a backup made. */
async function daily(): Promise<void> {
  try {
    const damage = damageOf(database());
    if (damage) {
      // A damaged database makes no good backup: the last good one is kept instead of being pushed out.
      eventLog().error({ err: new Error(damage) }, 'The database is damaged; the last good backup is kept');
      return;
    }
    sweepPhotos();
    const last = lastBackup();
    if (keep() > 0 && (!last || Date.now() - Date.parse(last) > DAY - FIRST)) await backUp();
  } catch (error) {
    eventLog().error({ err: error }, 'The daily backup failed');
  }
}

/** The workshop is held from when its folder is there: a restore beside a running server would lose what is saved after it. */
function holdWorkshopOnceOpen(): void {
  try {
    database();
    holdWorkshop(dataFolder(), `http://127.0.0.1:${process.env.FOVEA_PORT ?? process.env.PORT ?? 3000}`);
  } catch (error) {
    // The page says what is wrong with the folder; once that is mended it is held.
    eventLog().warn({ err: error }, 'The workshop is not held yet');
    setTimeout(holdWorkshopOnceOpen, FIRST).unref();
  }
}

/** Looks after the workshop while the application runs. */
export function keepWatch(): void {
  holdWorkshopOnceOpen();
  openAtStart().catch((error: unknown) => eventLog().warn({ err: error }, 'The workshop could not be opened to the network'));
  setTimeout(() => void daily(), FIRST).unref();
  setInterval(() => void daily(), DAY).unref();
}
