import { randomUUID } from 'node:crypto';
import { migrate, type Piece } from '../core/piece';
import type { Db } from './database';

/** A piece as it is kept: the document, its revision, and whether undo and redo lead anywhere. */
export type PieceRecord = { id: string; revision: number; updatedAt: string; canUndo: boolean; canRedo: boolean; piece: Piece };

/** What became of a save. A stale one is kept under `keptAs` and nothing is overwritten. */
export type SaveResult = { ok: true; record: PieceRecord } | { ok: false; current: PieceRecord; keptAs: number };

/** A save that came too late and has not been dealt with. */
export type StaleSave = { id: number; baseRevision: number; savedAt: string; piece: Piece };

type Row = { id: string; revision: number; updated_at: string; json: string; undo_to: number | null; redo_to: number | null };

const SELECT = `
  SELECT piece.id, piece.revision, piece.updated_at, revision.json, revision.undo_to, revision.redo_to
  FROM piece JOIN revision ON revision.piece_id = piece.id AND revision.revision = piece.revision
  WHERE piece.removed_at IS NULL`;

/** A kept document in today's form: what an older version kept is brought up to date when it is read. */
function documentOf(json: string): Piece {
  const kept = migrate(JSON.parse(json));
  if ('newer' in kept) throw new Error(`A piece of form ${kept.newer} is kept here: open the workshop with a newer Fovea`);
  return kept.data as Piece;
}

function toRecord(row: Row): PieceRecord {
  return {
    id: row.id,
    revision: row.revision,
    updatedAt: row.updated_at,
    canUndo: row.undo_to !== null,
    canRedo: row.redo_to !== null,
    piece: documentOf(row.json),
  };
}

/** Every piece on the floor, by the day it was last changed. */
export function listPieces(db: Db): PieceRecord[] {
  return (db.prepare(`${SELECT} ORDER BY piece.created_at, piece.id`).all() as Row[]).map(toRecord);
}

/** One piece, or null. */
export function getPiece(db: Db, id: string): PieceRecord | null {
  const row = db.prepare(`${SELECT} AND piece.id = ?`).get(id) as Row | undefined;
  return row ? toRecord(row) : null;
}

/** A piece as it stood at a revision, or null. */
export function getRevision(db: Db, id: string, revision: number): Piece | null {
  const row = db.prepare('SELECT json FROM revision WHERE piece_id = ? AND revision = ?').get(id, revision) as { json: string } | undefined;
  return row ? documentOf(row.json) : null;
}

/** Keeps a new piece and returns it with its id. */
export function createPiece(db: Db, piece: Piece): PieceRecord {
  const id = randomUUID();
  const now = new Date().toISOString();
  db.transaction(() => {
    db.prepare('INSERT INTO piece (id, revision, created_at, updated_at) VALUES (?, 1, ?, ?)').run(id, now, now);
    db.prepare('INSERT INTO revision (piece_id, revision, json, saved_at) VALUES (?, 1, ?, ?)').run(id, JSON.stringify(piece), now);
  })();
  return getPiece(db, id)!;
}

function append(db: Db, id: string, revision: number, json: string, links: { undoTo: number | null; redoTo: number | null }): void {
  const now = new Date().toISOString();
  db.prepare('INSERT INTO revision (piece_id, revision, json, saved_at, undo_to, redo_to) VALUES (?, ?, ?, ?, ?, ?)').run(
    id,
    revision,
    json,
    now,
    links.undoTo,
    links.redoTo,
  );
  db.prepare('UPDATE piece SET revision = ?, updated_at = ? WHERE id = ?').run(revision, now, id);
}

/**
 * Saves a piece that started from a revision. When another save came first, nothing is overwritten: this one is
 * put aside and both are returned.
 *
 * @returns null when there is no such piece
 */
export function savePiece(db: Db, id: string, base: number, piece: Piece): SaveResult | null {
  return db
    .transaction((): SaveResult | null => {
      const current = getPiece(db, id);
      if (!current) return null;
      const json = JSON.stringify(piece);
      if (current.revision !== base) {
        const kept = db
          .prepare('INSERT INTO stale_save (piece_id, base_revision, json, saved_at) VALUES (?, ?, ?, ?)')
          .run(id, base, json, new Date().toISOString());
        return { ok: false, current, keptAs: Number(kept.lastInsertRowid) };
      }
      if (json !== JSON.stringify(current.piece)) append(db, id, base + 1, json, { undoTo: base, redoTo: null });
      return { ok: true, record: getPiece(db, id)! };
    })
    .immediate();
}

/**
 * Steps back to what was before the last change, or forward again. The step is itself a new revision.
 *
 * @returns null when there is no such piece, or nowhere to step
 */
export function stepPiece(db: Db, id: string, direction: 'undo' | 'redo'): PieceRecord | null {
  return db
    .transaction((): PieceRecord | null => {
      const links = db
        .prepare(
          'SELECT undo_to, redo_to, piece.revision FROM piece JOIN revision ON piece_id = id AND revision.revision = piece.revision WHERE id = ? AND removed_at IS NULL',
        )
        .get(id) as { undo_to: number | null; redo_to: number | null; revision: number } | undefined;
      const target = direction === 'undo' ? links?.undo_to : links?.redo_to;
      if (!links || target === null || target === undefined) return null;
      const goal = db.prepare('SELECT json, undo_to, redo_to FROM revision WHERE piece_id = ? AND revision = ?').get(id, target) as {
        json: string;
        undo_to: number | null;
        redo_to: number | null;
      };
      append(
        db,
        id,
        links.revision + 1,
        goal.json,
        direction === 'undo' ? { undoTo: goal.undo_to, redoTo: links.revision } : { undoTo: goal.undo_to, redoTo: goal.redo_to },
      );
      return getPiece(db, id);
    })
    .immediate();
}

/** Takes a piece off the floor; its history and its place in the log stay. */
export function removePiece(db: Db, id: string): boolean {
  return db.prepare('UPDATE piece SET removed_at = ? WHERE id = ? AND removed_at IS NULL').run(new Date().toISOString(), id).changes > 0;
}

/** The saves of a piece that came too late and wait for a choice. */
export function listStaleSaves(db: Db, id: string): StaleSave[] {
  const rows = db.prepare('SELECT id, base_revision, json, saved_at FROM stale_save WHERE piece_id = ? ORDER BY id').all(id) as {
    id: number;
    base_revision: number;
    json: string;
    saved_at: string;
  }[];
  return rows.map((row) => ({ id: row.id, baseRevision: row.base_revision, savedAt: row.saved_at, piece: documentOf(row.json) }));
}

/** Forgets a stale save once the user has chosen. */
export function dropStaleSave(db: Db, pieceId: string, staleId: number): boolean {
  return db.prepare('DELETE FROM stale_save WHERE id = ? AND piece_id = ?').run(staleId, pieceId).changes > 0;
}
