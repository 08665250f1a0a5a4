import { createReadStream, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { backupFile, BadBackup, listBackups, makeBackup, restoreBackup, thinBackups, type KeptBackup } from '../data/backup';
import { holdWorkshop } from '../data/workshop-lock';
import { closeDatabase, damageOf, database, dataFolder } from '../data/database';
import { eventLog } from './event-log';
import { isEmpty } from './demo';
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
      thinBackups(dataFolder(), keep());
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

/** A backup that is brought in by the page has at most so much, bytes; a larger one comes by the command line. */
const LARGEST = 20_000_000;

/** POST /api/restore: puts a backup into a workshop that has nothing of its own yet. It is looked through first. */
export async function postRestore(request: Request): Promise<Response> {
  if (!isEmpty(database()))
    throw new Refusal(
      409,
      'This workshop has its own pieces. A backup is put over them by the command line, with the application stopped.',
    );
  const bytes = await readBytes(request, LARGEST, 'This backup is larger than 20 MB: put it back by the command line (docs/moving.md).');
  const aside = mkdtempSync(join(tmpdir(), 'fovea-brought-'));
  try {
    const file = join(aside, 'brought.tar.gz');
    writeFileSync(file, bytes);
    const { pieces, log, photos } = await restoreBackup(file, dataFolder(), closeDatabase);
    eventLog().info('A backup was put into an empty workshop');
    return Response.json({ pieces, log, photos }, { status: 201 });
  } catch (error) {
    if (error instanceof BadBackup) throw new Refusal(422, error.message);
    throw error;
  } finally {
    rmSync(aside, { recursive: true, force: true });
  }
}

/** What is done daily: the database looked through, a backup made. */
async function daily(): Promise<void> {
  try {
    const damage = damageOf(database());
    if (damage) {
      // A damaged database makes no good backup: the last good one is kept instead of being pushed out.
      eventLog().error({ err: new Error(damage) }, 'The database is damaged; the last good backup is kept');
      return;
    }
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
  setTimeout(() => void daily(), FIRST).unref();
  setInterval(() => void daily(), DAY).unref();
}
