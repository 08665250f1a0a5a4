import { createHash } from 'node:crypto';
import type { HouseRules } from '../core/house';
import type { Db } from './database';

/** Looks of an older shape are worked out anew. */
const SHAPE = 1;

/** What house rules a look was worked out under, as a short mark. */
export function houseMark(house: HouseRules): string {
  const sorted = Object.entries(house).sort(([a], [b]) => (a < b ? -1 : 1));
  return createHash('sha256')
    .update(JSON.stringify([SHAPE, sorted]))
    .digest('base64url')
    .slice(0, 16);
}

/** Keeps what the floor shows of a piece; a look of an older revision never replaces a newer one's. */
export function keepLook(db: Db, look: { pieceId: string; revision: number; house: string; json: string }): void {
  db.prepare(
    `INSERT INTO look (piece_id, revision, house, json) VALUES (?, ?, ?, ?)
     ON CONFLICT (piece_id) DO UPDATE SET revision = excluded.revision, house = excluded.house, json = excluded.json
     WHERE excluded.revision >= look.revision`,
  ).run(look.pieceId, look.revision, look.house, look.json);
}

/** Every look that is kept under these rules, by piece and revision with a space between. */
export function looksKept(db: Db, house: string): ReadonlyMap<string, string> {
  const rows = db.prepare('SELECT piece_id, revision, json FROM look WHERE house = ?').all(house) as {
    piece_id: string;
    revision: number;
    json: string;
  }[];
  return new Map(rows.map(({ piece_id, revision, json }) => [`${piece_id} ${revision}`, json]));
}

/** What is kept of a piece's look at a revision under these rules, or null. */
export function keptLook(db: Db, pieceId: string, revision: number, house: string): string | null {
  const row = db.prepare('SELECT json FROM look WHERE piece_id = ? AND revision = ? AND house = ?').get(pieceId, revision, house) as
    { json: string } | undefined;
  return row?.json ?? null;
}
