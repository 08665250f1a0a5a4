import { PieceProblems, type Piece } from '../core/piece';
import { serialsOf, ticksDone, type TicksDone } from '../data/bench';
import { database, type Db } from '../data/database';
import { houseMark, looksKept } from '../data/looks';
import { getPiece, listFloor, type BrokenPiece, type PieceRecord } from '../data/pieces';
import { getHouse } from '../data/settings';
import { Refusal } from './http';
import { lookAt } from './looks';
import type { Look } from './planning';

/** A row of the floor: the piece, a true section of it, how far it has come. */
export type FloorRow = {
  id: string;
  piece: Piece;
  /** null where it is not worked out yet, or where the house rules no longer suit the piece */
  look: Pick<Look, 'section' | 'size'> | null;
  /** what keeps it from being looked at: it is still to come, or the rules no longer suit it */
  lacks: 'time' | 'rules' | null;
  /** the step in hand, and the number of a finished job in the log */
  step: string | null;
  serial: string | null;
  done: number;
  of: number;
};

/** Everything in the workshop, and what of it cannot be read. */
export type FloorView = { rows: FloorRow[]; broken: BrokenPiece[] };

function rowOf({ id, piece }: PieceRecord, look: Look | null, ticked: TicksDone, serial: string | null): FloorRow {
  if (!look) return { id, piece, look: null, lacks: 'time', step: null, serial, done: 0, of: 0 };
  const { steps, section, size } = look;
  // A set that was made smaller has ticks of pieces that are no longer in it.
  const units = new Map((ticked.get(id) ?? []).map((tick) => [tick.step, tick.units.filter((unit) => unit <= piece.count).length]));
  const open = steps.find(({ key }) => (units.get(key) ?? 0) < piece.count);
  const done = steps.reduce((sum, { key }) => sum + (units.get(key) ?? 0), 0);
  return { id, piece, look: { section, size }, lacks: null, step: open?.name ?? null, serial, done, of: steps.length * piece.count };
}

/**
 * Everything in the workshop, as far as it has been worked out: nothing is planned here.
 *
 * @param db the database
 */
export function floorView(db: Db): FloorView {
  const { pieces, broken } = listFloor(db);
  const looks = looksKept(db, houseMark(getHouse(db)));
  const [ticked, serials] = [ticksDone(db), serialsOf(db)];
  const rows = pieces.map((record) => {
    const kept = looks.get(`${record.id} ${record.revision}`);
    return rowOf(record, kept === undefined ? null : (JSON.parse(kept) as Look), ticked, serials.get(record.id) ?? null);
  });
  return { rows, broken };
}

/** GET /api/pieces/ID/look: one row of the floor, worked out where that is still to be done. */
export async function readRow(id: string): Promise<Response> {
  const db = database();
  const record = getPiece(db, id);
  if (!record) throw new Refusal(404, 'This piece is no longer on the floor.');
  const serial = serialsOf(db).get(id) ?? null;
  try {
    return Response.json(rowOf(record, await lookAt(db, record), ticksDone(db, id), serial));
  } catch (error) {
    // House rules changed since may no longer suit the piece; it can still be opened and mended.
    if (!(error instanceof PieceProblems)) throw error;
    return Response.json({ ...rowOf(record, null, ticksDone(db, id), serial), lacks: 'rules' } satisfies FloorRow);
  }
}
