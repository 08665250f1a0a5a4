import { randomUUID } from 'node:crypto';
import { KINDS, migrate, type Piece } from '../core/piece';
import type { Db } from './database';

/** A piece as it is kept: the document, its revision, and whether undo and redo lead anywhere. */
export type PieceRecord = { id: string; revision: number; updatedAt: string; canUndo: boolean; canRedo: boolean; piece: Piece };

/** A piece whose record cannot be read: the others are, all the same. */
export type BrokenPiece = { id: string; updatedAt: string };

/** What became of a save. A stale one is kept under `keptAs` and nothing is overwritten. */
export type SaveResult = { ok: true; record: PieceRecord } | { ok: false; current: PieceRecord; keptAs: number };

/** A save that came too late and has not been dealt with. */
export type StaleSave = { id: number; baseRevision: number; savedAt: string; piece: Piece };

type Row = { id: string; revision: number; updated_at: string; json: string; undo_to: number | null; redo_to: number | null };

const SELECT = `
  SELECT piece.id, piece.revision, piece.updated_at, revision.json, revision.undo_to, revision.redo_to
  FROM piece JOIN revision ON revision.piece_id = piece.id AND revision.revision = piece.revision
  WHERE piece.removed_at IS NULL`;

/** A record that is there and cannot be read. */
export class BrokenRecord extends Error {
  override readonly name = 'BrokenRecord';
  constructor(options: { cause?: unknown } = {}) {
    super('The record of this piece is damaged. On the floor it can be taken back to its last whole version.', options);
  }
}

/**
 * A kept document in today's form: what an older version kept is brought up to date when it is read.
 *
 * @throws BrokenRecord where it cannot be read
 */
export function documentOf(json: string): Piece {
  let saved;
  try {
    saved = migrate(JSON.parse(json));
  } catch (error) {
    throw new BrokenRecord({ cause: error });
  }
  if ('newer' in saved) throw new BrokenRecord({ cause: new Error(`form ${saved.newer}`) });
  const piece = saved.data as Partial<Piece> | null;
  if (!piece || typeof piece !== 'object' || !piece.base || !Array.isArray(piece.pads)) throw new BrokenRecord();
  return piece as Piece;
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

/** What a piece is found by on the floor; a damaged record is found by nothing. */
const FOUND = (kinds: number): string => `CASE WHEN json_valid(revision.json) THEN
  json_extract(revision.json, '$.name') LIKE ? ESCAPE '!' OR json_extract(revision.json, '$.cloth.name') LIKE ? ESCAPE '!'
  OR json_extract(revision.json, '$.due') LIKE ? ESCAPE '!' OR json_extract(revision.json, '$.kind') IN (${Array(kinds).fill('?').join()})
  ELSE 0 END`;

/** A search as SQL: every word is in the name, the cloth, the due day or the kind. */
function searched(find: string): { where: string; values: string[] } {
  const words = find.split(/\s+/).filter(Boolean).slice(0, 8);
  const terms = words.map((word) => {
    const like = `%${word.replace(/[!%_]/g, '!$&')}%`;
    const kinds = KINDS.filter(({ name }) => name.toLowerCase().includes(word.toLowerCase())).map(({ id }) => id);
    return { where: FOUND(kinds.length), values: [like, like, like, ...kinds] };
  });
  return { where: terms.map(({ where }) => ` AND (${where})`).join(''), values: terms.flatMap(({ values }) => values) };
}

/**
 * What is on the floor, in the order it came: one damaged record does not take the others with it.
 *
 * @param db the database
 * @param [which] from which on, how many, and words that all must be found in a piece's name, cloth, due day or kind
 */
export function listFloor(db: Db, { from = 0, most = -1, find = '' } = {}): { pieces: PieceRecord[]; broken: BrokenPiece[] } {
  const pieces: PieceRecord[] = [];
  const broken: BrokenPiece[] = [];
  const { where, values } = searched(find);
  const rows = db.prepare(`${SELECT}${where} ORDER BY piece.created_at, piece.rowid LIMIT ? OFFSET ?`).all(...values, most, from) as Row[];
  for (const row of rows) {
    try {
      pieces.push(toRecord(row));
    } catch {
      broken.push({ id: row.id, updatedAt: row.updated_at });
    }
  }
  return { pieces, broken };
}

/** How many pieces are on the floor, or are found there. */
export function countFloor(db: Db, find = ''): number {
  const { where, values } = searched(find);
  return (db.prepare(`SELECT count(*) AS n FROM (${SELECT}${where})`).get(...values) as { n: number }).n;
}

/** Every piece on the floor that can be read. */
export function listPieces(db: Db): PieceRecord[] {
  return listFloor(db).pieces;
}

/**
 * One piece, or null.
 *
 * @throws BrokenRecord where its record cannot be read
 */
export function getPiece(db: Db, id: string): PieceRecord | null {
  const row = db.prepare(`${SELECT} AND piece.id = ?`).get(id) as Row | undefined;
  return row ? toRecord(row) : null;
}

/**
 * Takes a piece whose record is damaged back to its last revision that can be read; the damaged one stays in its history.
 *
 * @returns null where no revision of it can be read
 */
export function mendPiece(db: Db, id: string): PieceRecord | null {
  return db
    .transaction((): PieceRecord | null => {
      const rows = db.prepare('SELECT revision, json FROM revision WHERE piece_id = ? ORDER BY revision DESC').all(id) as {
        revision: number;
        json: string;
      }[];
      const whole = rows.find(({ json }) => {
        try {
          documentOf(json);
          return true;
        } catch {
          return false;
        }
      });
      if (!whole) return null;
      if (whole.revision !== rows[0]!.revision) append(db, id, rows[0]!.revision + 1, whole.json, { undoTo: null, redoTo: null });
      return getPiece(db, id);
    })
    .immediate();
}

/** A piece as it stood at a revision, or null. */
export function getRevision(db: Db, id: string, revision: number): Piece | null {
  const row = db.prepare('SELECT json FROM revision WHERE piece_id = ? AND revision = ?').get(id, revision) as { json: string } | undefined;
  return row ? documentOf(row.json) : null;
}

/** What a save that carries this id came to before, or null. */
function savedBefore(db: Db, saveId: string | undefined): { piece_id: string; revision: number | null; stale_id: number | null } | null {
  if (saveId === undefined) return null;
  return (
    (db.prepare('SELECT piece_id, revision, stale_id FROM save WHERE id = ?').get(saveId) as
      { piece_id: string; revision: number | null; stale_id: number | null } | undefined) ?? null
  );
}

function rememberSave(db: Db, saveId: string | undefined, pieceId: string, came: { revision?: number; stale?: number }): void {
  if (saveId === undefined) return;
  db.prepare('INSERT INTO save (id, piece_id, revision, stale_id, saved_at) VALUES (?, ?, ?, ?, ?)').run(
    saveId,
    pieceId,
    came.revision ?? null,
    came.stale ?? null,
    new Date().toISOString(),
  );
}

/**
 * Keeps a new piece and returns it with its id.
 *
 * @param db the database
 * @param piece checked
 * @param [saveId] of the request: asked twice, it is one piece
 */
export function createPiece(db: Db, piece: Piece, saveId?: string): PieceRecord {
  const before = savedBefore(db, saveId);
  const known = before && getPiece(db, before.piece_id);
  if (known) return known;
  const id = randomUUID();
  const now = new Date().toISOString();
  db.transaction(() => {
    db.prepare('INSERT INTO piece (id, revision, created_at, updated_at) VALUES (?, 1, ?, ?)').run(id, now, now);
    db.prepare('INSERT INTO revision (piece_id, revision, json, saved_at) VALUES (?, 1, ?, ?)').run(id, JSON.stringify(piece), now);
    rememberSave(db, saveId, id, { revision: 1 });
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

/** A save: the revision it started from, what is saved, and an id by which it is known again. */
export type Save = {
  base: number;
  piece: Piece;
  saveId?: string | undefined;
  /** the id of a save of the same page that came before and whose answer it may have lost */
  after?: string | undefined;
};

/**
 * Saves a piece that started from a revision. When another save came first, nothing is overwritten: this one is
 * put aside and both are returned. A save whose answer was lost and that is sent again is answered again.
 *
 * @returns null when there is no such piece
 */
export function savePiece(db: Db, id: string, { base, piece, saveId, after }: Save): SaveResult | null {
  return db
    .transaction((): SaveResult | null => {
      const current = getPiece(db, id);
      if (!current) return null;
      const before = savedBefore(db, saveId);
      if (before && before.piece_id === id)
        return before.stale_id === null
          ? { ok: true, record: asSaved(db, current, before.revision!) }
          : { ok: false, current, keptAs: before.stale_id };
      const json = JSON.stringify(piece);
      // What came from the same page just before is no other's change.
      const from = savedBefore(db, after)?.revision ?? base;
      if (current.revision !== from) {
        const saved = db
          .prepare('INSERT INTO stale_save (piece_id, base_revision, json, saved_at) VALUES (?, ?, ?, ?)')
          .run(id, base, json, new Date().toISOString());
        const keptAs = Number(saved.lastInsertRowid);
        rememberSave(db, saveId, id, { stale: keptAs });
        return { ok: false, current, keptAs };
      }
      const same = json === JSON.stringify(current.piece);
      if (!same) append(db, id, from + 1, json, { undoTo: from, redoTo: null });
      rememberSave(db, saveId, id, { revision: same ? from : from + 1 });
      return { ok: true, record: getPiece(db, id)! };
    })
    .immediate();
}

/** A record as a save left it, though others may have saved since: who asks goes on from there, not from theirs. */
function asSaved(db: Db, current: PieceRecord, revision: number): PieceRecord {
  return current.revision === revision ? current : { ...current, revision, piece: getRevision(db, current.id, revision)! };
}

/** What became of a step: done, nowhere to step, or the piece was changed elsewhere. */
export type StepResult = { record: PieceRecord } | { nowhere: true } | { current: PieceRecord };

/**
 * Steps back to what was before the last change, or forward again. The step is itself a new revision, and is taken only
 * from the revision that its page shows.
 *
 * @returns null when there is no such piece
 */
export function stepPiece(db: Db, id: string, direction: 'undo' | 'redo', base: number): StepResult | null {
  return db
    .transaction((): StepResult | null => {
      const current = getPiece(db, id);
      if (!current) return null;
      if (current.revision !== base) return { current };
      const links = db.prepare('SELECT undo_to, redo_to FROM revision WHERE piece_id = ? AND revision = ?').get(id, base) as Pick<
        Row,
        'undo_to' | 'redo_to'
      >;
      const target = direction === 'undo' ? links.undo_to : links.redo_to;
      if (target === null) return { nowhere: true };
      const goal = db.prepare('SELECT json, undo_to, redo_to FROM revision WHERE piece_id = ? AND revision = ?').get(id, target) as Pick<
        Row,
        'json' | 'undo_to' | 'redo_to'
      >;
      append(
        db,
        id,
        base + 1,
        goal.json,
        direction === 'undo' ? { undoTo: goal.undo_to, redoTo: base } : { undoTo: goal.undo_to, redoTo: goal.redo_to },
      );
      return { record: getPiece(db, id)! };
    })
    .immediate();
}

/** Days that a removed piece can be put back from the bin. */
export const BIN_DAYS = 30;

/** A piece in the bin. */
export type BinnedPiece = { id: string; name: string; removedAt: string };

/** What was removed within the last days and can be put back, the last first. */
export function listBin(db: Db): BinnedPiece[] {
  const since = new Date(Date.now() - BIN_DAYS * 86_400_000).toISOString();
  const rows = db
    .prepare(
      `SELECT piece.id, piece.removed_at AS removedAt, CASE WHEN json_valid(json) THEN json_extract(json, '$.name') END AS name
       FROM piece JOIN revision ON revision.piece_id = piece.id AND revision.revision = piece.revision
       WHERE piece.removed_at >= ? ORDER BY piece.removed_at DESC, piece.rowid DESC`,
    )
    .all(since) as (Omit<BinnedPiece, 'name'> & { name: string | null })[];
  return rows.map((row) => ({ ...row, name: row.name ?? 'A piece that cannot be read' }));
}

/** Puts a removed piece back on the floor with all that it had; false where it is not in the bin. */
export function putBack(db: Db, id: string): boolean {
  return db.prepare('UPDATE piece SET removed_at = NULL WHERE id = ? AND removed_at IS NOT NULL').run(id).changes > 0;
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

/** What was put aside goes on growing while its page waits for a choice: the newest is what counts. */
export function renewStaleSave(db: Db, pieceId: string, staleId: number, piece: Piece): boolean {
  return (
    db.prepare('UPDATE stale_save SET json = ? WHERE id = ? AND piece_id = ?').run(JSON.stringify(piece), staleId, pieceId).changes > 0
  );
}

/** Forgets a stale save once the user has chosen. */
export function dropStaleSave(db: Db, pieceId: string, staleId: number): boolean {
  return db.prepare('DELETE FROM stale_save WHERE id = ? AND piece_id = ?').run(staleId, pieceId).changes > 0;
}
