import { statfsSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { database, dataFolder, formIn, newestForm, type Db } from '../data/database';
import { troubleOf, WorkshopTrouble } from '../data/trouble';
import { lastBackup } from './backups';

/** Less room than this is worth a word, bytes. */
const LITTLE_ROOM = 500_000_000;

/** Writes a row and reads it back: a full disk or a folder that cannot be written shows here. */
function beat(db: Db): void {
  const mark = randomUUID();
  db.transaction(() =>
    db.prepare('INSERT INTO heartbeat (id, mark) VALUES (1, ?) ON CONFLICT (id) DO UPDATE SET mark = excluded.mark').run(mark),
  ).immediate();
  const read = db.prepare('SELECT mark FROM heartbeat WHERE id = 1').get() as { mark: string } | undefined;
  if (read?.mark !== mark) throw new WorkshopTrouble('damaged');
}

/** GET /health: whether the workshop can be read and written, for a person or a watchdog. */
export function health(): Response {
  try {
    const db = database();
    const form = formIn(db);
    beat(db);
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
