import { randomUUID } from 'node:crypto';
import type { KeptLay } from '../core/nesting';
import type { Db } from './database';

/** A lay as it is kept. */
export type LayRecord = { id: string; madeAt: string; chosen: boolean; cutAt: string | null; lay: KeptLay };

type Row = { id: string; json: string; made_at: string; chosen: number; cut_at: string | null };
const SELECT = 'SELECT id, json, made_at, chosen, cut_at FROM lay WHERE removed_at IS NULL';

const toRecord = ({ id, json, made_at: madeAt, chosen, cut_at: cutAt }: Row): LayRecord => ({
  id,
  madeAt,
  chosen: chosen === 1,
  cutAt,
  lay: JSON.parse(json) as KeptLay,
});

/** The lays that were kept of a scope, oldest first. */
export function listLays(db: Db, scope: string): LayRecord[] {
  return (db.prepare(`${SELECT} AND scope = ? ORDER BY made_at, rowid`).all(scope) as Row[]).map(toRecord);
}

/** One lay of a scope, or null. */
export function getLay(db: Db, scope: string, id: string): LayRecord | null {
  const row = db.prepare(`${SELECT} AND scope = ? AND id = ?`).get(scope, id) as Row | undefined;
  return row ? toRecord(row) : null;
}

/** Keeps a lay; the first of its material is the one that is bought and cut by. */
export function keepLay(db: Db, scope: string, lay: KeptLay): LayRecord {
  return db
    .transaction(() => {
      const id = randomUUID();
      const known = listLays(db, scope).some(
        (layRecord) => layRecord.lay.group === lay.group && layRecord.chosen && layRecord.cutAt === null,
      );
      db.prepare('INSERT INTO lay (id, scope, group_key, json, made_at, chosen) VALUES (?, ?, ?, ?, ?, ?)').run(
        id,
        scope,
        lay.group,
        JSON.stringify(lay),
        new Date().toISOString(),
        known ? 0 : 1,
      );
      return getLay(db, scope, id)!;
    })
    .immediate();
}

/** Chooses a lay among those of its material. */
export function chooseLay(db: Db, scope: string, id: string): LayRecord | null {
  return db
    .transaction(() => {
      const lay = getLay(db, scope, id);
      if (!lay) return null;
      db.prepare('UPDATE lay SET chosen = 0 WHERE scope = ? AND group_key = ?').run(scope, lay.lay.group);
      db.prepare('UPDATE lay SET chosen = 1 WHERE id = ?').run(id);
      return getLay(db, scope, id);
    })
    .immediate();
}

/** Writes down that a lay was cut. */
export function markCut(db: Db, id: string): void {
  db.prepare('UPDATE lay SET cut_at = ? WHERE id = ?').run(new Date().toISOString(), id);
}

/** Throws a lay away. */
export function removeLay(db: Db, scope: string, id: string): boolean {
  return (
    db
      .prepare('UPDATE lay SET removed_at = ?, chosen = 0 WHERE scope = ? AND id = ? AND removed_at IS NULL')
      .run(new Date().toISOString(), scope, id).changes > 0
  );
}
