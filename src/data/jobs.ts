import { randomUUID } from 'node:crypto';
import type { Job, Scope } from '../core/job';
import type { Db } from './database';
import { getPiece, type PieceRecord } from './pieces';

/** A job as it is kept, with the pieces that are in it. */
export type JobRecord = { id: string; revision: number; updatedAt: string; job: Job; pieces: string[] };
/** What became of a save. */
export type JobSaved = { ok: true; record: JobRecord } | { ok: false; current: JobRecord };

type Row = { id: string; revision: number; json: string; updated_at: string };
const now = (): string => new Date().toISOString();

function piecesIn(db: Db, id: string): string[] {
  const rows = db
    .prepare(
      'SELECT job_piece.piece_id AS id FROM job_piece JOIN piece ON piece.id = job_piece.piece_id WHERE job_piece.job_id = ? AND piece.removed_at IS NULL ORDER BY piece.created_at, piece.rowid',
    )
    .all(id) as { id: string }[];
  return rows.map((row) => row.id);
}

const toRecord = (db: Db, { id, revision, json, updated_at: updatedAt }: Row): JobRecord => ({
  id,
  revision,
  updatedAt,
  job: JSON.parse(json) as Job,
  pieces: piecesIn(db, id),
});

/** Every job, in the order it came. */
export function listJobs(db: Db): JobRecord[] {
  const rows = db
    .prepare('SELECT id, revision, json, updated_at FROM job WHERE removed_at IS NULL ORDER BY created_at, rowid')
    .all() as Row[];
  return rows.map((row) => toRecord(db, row));
}

/** One job, or null. */
export function getJob(db: Db, id: string): JobRecord | null {
  const row = db.prepare('SELECT id, revision, json, updated_at FROM job WHERE id = ? AND removed_at IS NULL').get(id) as Row | undefined;
  return row ? toRecord(db, row) : null;
}

/** A new job. */
export function createJob(db: Db, job: Job, pieces: readonly string[] = []): JobRecord {
  const id = randomUUID();
  return db
    .transaction(() => {
      db.prepare('INSERT INTO job (id, revision, json, created_at, updated_at) VALUES (?, 1, ?, ?, ?)').run(
        id,
        JSON.stringify(job),
        now(),
        now(),
      );
      for (const piece of pieces) setInJob(db, id, piece, true);
      return getJob(db, id)!;
    })
    .immediate();
}

/** Changes a job that started from a revision; null where it is gone. */
export function saveJob(db: Db, id: string, base: number, job: Job): JobSaved | null {
  return db
    .transaction((): JobSaved | null => {
      const current = getJob(db, id);
      if (!current) return null;
      if (current.revision !== base) return { ok: false, current };
      db.prepare('UPDATE job SET revision = revision + 1, json = ?, updated_at = ? WHERE id = ?').run(JSON.stringify(job), now(), id);
      return { ok: true, record: getJob(db, id)! };
    })
    .immediate();
}

/** Takes a job away; its pieces stay on the floor. */
export function removeJob(db: Db, id: string): boolean {
  return db
    .transaction(() => {
      const gone = db.prepare('UPDATE job SET removed_at = ? WHERE id = ? AND removed_at IS NULL').run(now(), id).changes > 0;
      if (gone) db.prepare('DELETE FROM job_piece WHERE job_id = ?').run(id);
      return gone;
    })
    .immediate();
}

/** Puts a piece into a job, out of the one it was in; or takes it out. */
export function setInJob(db: Db, id: string, piece: string, isIn: boolean): void {
  if (isIn)
    db.prepare('INSERT INTO job_piece (piece_id, job_id) VALUES (?, ?) ON CONFLICT (piece_id) DO UPDATE SET job_id = excluded.job_id').run(
      piece,
      id,
    );
  else db.prepare('DELETE FROM job_piece WHERE piece_id = ? AND job_id = ?').run(piece, id);
}

/** The job that a piece is in, or null. */
export function jobOf(db: Db, piece: string): { id: string; name: string } | null {
  const row = db
    .prepare('SELECT job.id, job.json FROM job_piece JOIN job ON job.id = job_piece.job_id WHERE piece_id = ? AND job.removed_at IS NULL')
    .get(piece) as { id: string; json: string } | undefined;
  return row ? { id: row.id, name: (JSON.parse(row.json) as Job).name } : null;
}

/**
 * The pieces of a scope.
 *
 * @returns null where a job or the piece of it is gone
 */
export function piecesOfScope(db: Db, { jobs, piece }: Scope): PieceRecord[] | null {
  if (piece !== null) {
    const pieceRecord = getPiece(db, piece);
    return pieceRecord ? [pieceRecord] : null;
  }
  const records = jobs.map((id) => getJob(db, id));
  if (records.includes(null)) return null;
  return records.flatMap((record) => record!.pieces.map((id) => getPiece(db, id)!)).filter(Boolean);
}
