import { statfsSync } from 'node:fs';
import { database, dataFolder, formIn, newestForm } from '../data/database';
import { troubleOf } from '../data/trouble';
import { lastBackup } from './backups';

/** Less room than this is worth a word, bytes. */
const LITTLE_ROOM = 500_000_000;

/** GET /health: whether the workshop can be read and written, for a person or a watchdog. */
export function health(): Response {
  try {
    const db = database();
    const form = formIn(db);
    // A write that changes nothing: a full disk or a folder that cannot be written shows here.
    db.transaction(() => db.prepare("UPDATE setting SET value = value WHERE key = 'unit'").run()).immediate();
    const { bavail, bsize } = statfsSync(dataFolder());
    const room = Number(bavail) * Number(bsize);
    return Response.json(
      { ok: true, form, newest: newestForm(), lastBackup: lastBackup(), room, littleRoom: room < LITTLE_ROOM },
      { headers: { 'cache-control': 'no-store' } },
    );
  } catch (error) {
    const trouble = troubleOf(error);
    if (!trouble) throw error;
    return Response.json({ ok: false, trouble: trouble.kind, message: trouble.message, lastBackup: lastBackup() }, { status: 503 });
  }
}
