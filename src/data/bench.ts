import type { Piece } from '../core/piece';
import type { Db } from './database';

/** A step done on one piece of a set. */
export type Tick = { unit: number; step: string };

/** A finished job. */
export type LogEntry = { id: number; pieceId: string; serial: string; note: string; finishedAt: string; onFloor: boolean; piece: Piece };

/** The ticks of a piece. */
export function listTicks(db: Db, pieceId: string): Tick[] {
  return db.prepare('SELECT unit, step FROM tick WHERE piece_id = ? ORDER BY unit, step').all(pieceId) as Tick[];
}

/** Ticks a step of one piece of the set, or takes the tick back. */
export function setTick(db: Db, pieceId: string, tick: Tick, done: boolean): Tick[] {
  if (done)
    db.prepare('INSERT OR IGNORE INTO tick (piece_id, unit, step, done_at) VALUES (?, ?, ?, ?)').run(
      pieceId,
      tick.unit,
      tick.step,
      new Date().toISOString(),
    );
  else db.prepare('DELETE FROM tick WHERE piece_id = ? AND unit = ? AND step = ?').run(pieceId, tick.unit, tick.step);
  return listTicks(db, pieceId);
}

/** Whether a serial number is taken. */
export function serialTaken(db: Db, serial: string): boolean {
  return db.prepare('SELECT 1 FROM log_entry WHERE serial = ?').get(serial) !== undefined;
}

/** The next serial number of a year: year, dash, three figures. */
export function nextSerial(db: Db, year: number): string {
  const rows = db.prepare('SELECT serial FROM log_entry WHERE serial LIKE ?').all(`${year}-%`) as { serial: string }[];
  const last = Math.max(0, ...rows.map(({ serial }) => Number(serial.slice(5)) || 0));
  return `${year}-${String(last + 1).padStart(3, '0')}`;
}

/** Writes a finished job into the log, as it stood at a revision. */
export function addLogEntry(db: Db, entry: { pieceId: string; revision: number; serial: string; note: string; finishedAt?: string }): void {
  db.prepare('INSERT INTO log_entry (piece_id, revision, serial, note, finished_at) VALUES (?, ?, ?, ?, ?)').run(
    entry.pieceId,
    entry.revision,
    entry.serial,
    entry.note,
    entry.finishedAt ?? new Date().toISOString(),
  );
}

/** The log, newest first. */
export function listLog(db: Db): LogEntry[] {
  const rows = db
    .prepare(
      `SELECT log_entry.id, log_entry.piece_id, serial, note, finished_at, json, piece.removed_at IS NULL AS on_floor FROM log_entry
       JOIN piece ON piece.id = log_entry.piece_id
       JOIN revision ON revision.piece_id = log_entry.piece_id AND revision.revision = log_entry.revision
       ORDER BY finished_at DESC, log_entry.id DESC`,
    )
    .all() as { id: number; piece_id: string; serial: string; note: string; finished_at: string; json: string; on_floor: number }[];
  return rows.map((row) => ({
    id: row.id,
    pieceId: row.piece_id,
    serial: row.serial,
    note: row.note,
    finishedAt: row.finished_at,
    onFloor: row.on_floor === 1,
    piece: JSON.parse(row.json) as Piece,
  }));
}

/** The serial under which a piece was last written into the log, or null. */
export function serialOf(db: Db, pieceId: string): string | null {
  const row = db.prepare('SELECT serial FROM log_entry WHERE piece_id = ? ORDER BY id DESC LIMIT 1').get(pieceId) as
    { serial: string } | undefined;
  return row?.serial ?? null;
}
