import { createHash } from 'node:crypto';
import type { HouseRules } from '../core/house';
import type { Db } from './database';

/** Looks of an older shape are worked out anew. */
const SHAPE = 10;

/** What house rules a look was worked out under, as a short mark. */
export function houseMark(house: HouseRules): string {
  const sorted = Object.entries(house).sort(([a], [b]) => (a < b ? -1 : 1));
  return createHash('sha256')
    .update(JSON.stringify([SHAPE, sorted]))
    .digest('base64url')
    .slice(0, 16);
}

/** What the floor shows of a piece, as it is kept. */
export type KeptLook = { pieceId: string; revision: number; house: string; json: string; span: number };

/** Keeps what the floor shows of a piece; a look of an older revision never replaces a newer one's. */
export function keepLook(db: Db, look: KeptLook): void {
  db.prepare(
    `INSERT INTO look (piece_id, revision, house, json, span) VALUES (?, ?, ?, ?, ?)
     ON CONFLICT (piece_id) DO UPDATE SET revision = excluded.revision, house = excluded.house, json = excluded.json, span = excluded.span
     WHERE excluded.revision >= look.revision`,
  ).run(look.pieceId, look.revision, look.house, look.json, look.span);
}

/** How wide the widest section on the floor is, mm; 0 where none is known. */
export function widestLook(db: Db): number {
  const row = db
    .prepare('SELECT max(span) AS widest FROM look JOIN piece ON piece.id = look.piece_id WHERE piece.removed_at IS NULL')
    .get() as { widest: number | null };
  return row.widest ?? 0;
}

/** What is kept of a piece's look at a revision under these rules, or null. */
export function keptLook(db: Db, pieceId: string, revision: number, house: string): string | null {
  const row = db.prepare('SELECT json FROM look WHERE piece_id = ? AND revision = ? AND house = ?').get(pieceId, revision, house) as
    { json: string } | undefined;
  return row?.json ?? null;
}
