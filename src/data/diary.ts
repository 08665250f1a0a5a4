import type { KeptDiary, Pin, Shop, Taken } from '../core/scheduling';
import { newShop } from '../core/scheduling';
import type { Db } from './database';
import { read, write } from './settings';

/** Who works here, and with what. */
export const getShop = (db: Db): Shop => ({ ...newShop(), ...read<Partial<Shop>>(db, 'shop', {}) });
export const setShop = (db: Db, shop: Shop): void => write(db, 'shop', shop);

/** The schedule that is worked by, or null. */
export const getDiary = (db: Db): KeptDiary | null => read<KeptDiary | null>(db, 'diary', null);
export const setDiary = (db: Db, diary: KeptDiary): void => write(db, 'diary', diary);

/** When deliveries come, by their order, where somebody knows better. */
export const getDeliveryDays = (db: Db): Record<string, string> => read(db, 'deliveries', {});
export function setDeliveryDay(db: Db, id: string, day: string | null): void {
  db.transaction(() => {
    const days = getDeliveryDays(db);
    if (day === null) delete days[id];
    else days[id] = day;
    write(db, 'deliveries', days);
  }).immediate();
}

/** What was laid by hand. */
export function listPins(db: Db): Pin[] {
  return (db.prepare('SELECT json FROM pin ORDER BY task').all() as { json: string }[]).map(({ json }) => JSON.parse(json) as Pin);
}

/** Lays a task on a day by hand, or lets it go. */
export function setPin(db: Db, task: string, pin: Omit<Pin, 'task'> | null): void {
  if (pin === null) db.prepare('DELETE FROM pin WHERE task = ?').run(task);
  else
    db.prepare('INSERT INTO pin (task, json) VALUES (?, ?) ON CONFLICT (task) DO UPDATE SET json = excluded.json').run(
      task,
      JSON.stringify({ task, ...pin }),
    );
}

/** What was said of a step on one piece: how long it took, what was measured, seen or photographed. */
export type BenchNote = {
  id: string;
  unit: number;
  step: string;
  /** what the step was called then */
  name: string;
  at: string;
  person: string;
  /** minutes it took, and what the run sheet said; null where nobody looked at the clock */
  took: number | null;
  told: number | null;
  reading: string;
  note: string;
  photo: string | null;
};

type NoteRow = { id: string; unit: number; step: string; json: string; at: string };
type NoteSaid = Omit<BenchNote, keyof NoteRow>;

/** What was noted at the steps of a piece, oldest first. */
export function listNotes(db: Db, pieceId: string): BenchNote[] {
  const rows = db
    .prepare('SELECT id, unit, step, json, at FROM bench_note WHERE piece_id = ? ORDER BY at, rowid')
    .all(pieceId) as NoteRow[];
  return rows.map(({ json, ...row }) => ({ ...row, name: '', ...(JSON.parse(json) as Omit<NoteSaid, 'name'> & { name?: string }) }));
}

/** Writes a note down, once: the same id sent again changes nothing. */
export function addNote(db: Db, pieceId: string, { id, unit, step, at, ...reported }: BenchNote): void {
  db.prepare('INSERT OR IGNORE INTO bench_note (id, piece_id, unit, step, json, at) VALUES (?, ?, ?, ?, ?, ?)').run(
    id,
    pieceId,
    unit,
    step,
    JSON.stringify(reported),
    at,
  );
}

/** Every time that was taken, for the estimates. */
export function timesTaken(db: Db): Taken[] {
  const rows = db.prepare('SELECT step, json FROM bench_note').all() as { step: string; json: string }[];
  return rows.flatMap(({ step, json }) => {
    const { took, told: value, person } = JSON.parse(json) as Pick<BenchNote, 'took' | 'told' | 'person'>;
    return took !== null && value !== null && value > 0 ? [{ step, took, told: value, person }] : [];
  });
}

/** Something that runs: when it is ready, and until when it has to be gone on with. */
export type Timer = {
  id: string;
  pieceId: string;
  unit: number;
  step: string;
  name: string;
  startedAt: string;
  readyAt: string;
  untilAt: string | null;
};

const TIMER = `SELECT timer.id, piece_id AS pieceId, unit, step, name, started_at AS startedAt, ready_at AS readyAt, until_at AS untilAt
  FROM timer JOIN piece ON piece.id = timer.piece_id WHERE stopped_at IS NULL AND piece.removed_at IS NULL`;

/** What runs, the first to be ready first. */
export function listTimers(db: Db): Timer[] {
  return db.prepare(`${TIMER} ORDER BY ready_at`).all() as Timer[];
}

/** Starts a timer, once: the same id sent again changes nothing; one that ran for the same step of the same piece ends. */
export function startTimer(db: Db, timer: Timer): void {
  db.transaction(() => {
    // Sent again after another one was started, it must not stop that one.
    if (db.prepare('SELECT 1 FROM timer WHERE id = ?').get(timer.id)) return;
    db.prepare('UPDATE timer SET stopped_at = ? WHERE piece_id = ? AND unit = ? AND step = ? AND stopped_at IS NULL').run(
      timer.startedAt,
      timer.pieceId,
      timer.unit,
      timer.step,
    );
    db.prepare('INSERT INTO timer (id, piece_id, unit, step, name, started_at, ready_at, until_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)').run(
      timer.id,
      timer.pieceId,
      timer.unit,
      timer.step,
      timer.name,
      timer.startedAt,
      timer.readyAt,
      timer.untilAt,
    );
  }).immediate();
}

/** Ends a timer: what it was for is gone on with, or given up. */
export function stopTimer(db: Db, id: string): void {
  db.prepare('UPDATE timer SET stopped_at = ? WHERE id = ? AND stopped_at IS NULL').run(new Date().toISOString(), id);
}
