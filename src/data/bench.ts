import type { Piece } from '../core/piece';
import type { Db } from './database';
import { listNotes, type BenchNote } from './diary';
import { BrokenRecord, documentOf, getRevision } from './pieces';

/** A step done on one piece of a set. */
export type Tick = { unit: number; step: string };

/** A finished job. */
export type LogEntry = {
  id: number;
  pieceId: string;
  serial: string;
  note: string;
  finishedAt: string;
  onFloor: boolean;
  piece: Piece;
  said: BenchNote[];
};

/** The ticks of a piece. */
export function listTicks(db: Db, pieceId: string): Tick[] {
  return db.prepare('SELECT unit, step FROM tick WHERE piece_id = ? ORDER BY unit, step').all(pieceId) as Tick[];
}

/** Which of a set have each step done. */
export function ticksDone(db: Db, pieceId: string): { step: string; units: number[] }[] {
  const rows = db.prepare('SELECT step, group_concat(unit) AS units FROM tick WHERE piece_id = ? GROUP BY step').all(pieceId) as {
    step: string;
    units: string;
  }[];
  return rows.map(({ step, units }) => ({
    step,
    units: units
      .split(',')
      .map(Number)
      .sort((a, b) => a - b),
  }));
}

/** The serial under which a piece was last written into the log, or null. */
export function serialOf(db: Db, pieceId: string): string | null {
  const row = db.prepare('SELECT serial FROM log_entry WHERE piece_id = ? ORDER BY id DESC LIMIT 1').get(pieceId) as
    { serial: string } | undefined;
  return row?.serial ?? null;
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
  const { pieceId, revision, serial, note } = entry;
  db.prepare('INSERT INTO log_entry (piece_id, revision, serial, note, finished_at, words) VALUES (?, ?, ?, ?, ?, ?)').run(
    pieceId,
    revision,
    serial,
    note,
    entry.finishedAt ?? new Date().toISOString(),
    wordsOf(serial, note, getRevision(db, pieceId, revision), listNotes(db, pieceId)),
  );
}

/** What an entry is found by: serial, note, the piece's own name, cloth and notes, and what was said at the bench, in small letters. */
function wordsOf(serial: string, note: string, piece: Piece | null, benchNotes: readonly BenchNote[]): string {
  const bench = benchNotes.flatMap((benchNote) => [benchNote.person, benchNote.reading, benchNote.note]);
  return [serial, note, piece?.name, piece?.cloth.name, piece?.notes, ...bench].filter(Boolean).join(' ').toLowerCase();
}

type LogRow = { id: number; piece_id: string; serial: string; note: string; finished_at: string; json: string; on_floor: number };

/** A row of the log, or nothing where its piece's record is damaged. */
function toEntry(db: Db, row: LogRow): LogEntry[] {
  try {
    return [
      {
        id: row.id,
        pieceId: row.piece_id,
        serial: row.serial,
        note: row.note,
        finishedAt: row.finished_at,
        onFloor: row.on_floor === 1,
        piece: documentOf(row.json),
        said: listNotes(db, row.piece_id),
      },
    ];
  } catch (error) {
    if (error instanceof BrokenRecord) return [];
    throw error;
  }
}

/** So much of the log is read at once. */
const PAGE = 100;

/** A stretch of the log, and where the next begins; what of it cannot be read is left out and counted all the same. */
export type LogView = { entries: LogEntry[]; next: number | null };

/**
 * The log, newest first.
 *
 * @param db the database
 * @param [options.search] words, each of which an entry must have
 * @param [options.from] so many are passed over
 * @param [options.most] so many at most
 */
export function listLog(db: Db, { search = '', from = 0, most = PAGE }: { search?: string; from?: number; most?: number } = {}): LogView {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean).slice(0, 12);
  const having = words.map(() => 'AND instr(words, ?) > 0').join(' ');
  const rows = db
    .prepare(
      `SELECT log_entry.id, log_entry.piece_id, serial, note, finished_at, json, piece.removed_at IS NULL AS on_floor FROM log_entry
       JOIN piece ON piece.id = log_entry.piece_id
       JOIN revision ON revision.piece_id = log_entry.piece_id AND revision.revision = log_entry.revision
       WHERE 1 ${having}
       ORDER BY finished_at DESC, log_entry.id DESC LIMIT ? OFFSET ?`,
    )
    // One more than is shown tells whether there is more.
    .all(...words, most + 1, from) as LogRow[];
  return { entries: rows.slice(0, most).flatMap((row) => toEntry(db, row)), next: rows.length > most ? from + most : null };
}

/** Whether this very job, with this very note, is in the log under that number already. */
export function finishedAs(db: Db, job: { pieceId: string; revision: number; serial: string; note: string }): boolean {
  const { serial, pieceId, revision, note } = job;
  return (
    db
      .prepare('SELECT 1 FROM log_entry WHERE serial = ? AND piece_id = ? AND revision = ? AND note = ?')
      .get(serial, pieceId, revision, note) !== undefined
  );
}
