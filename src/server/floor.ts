import { PieceProblems, type Piece } from '../core/piece';
import { serialOf, ticksDone } from '../data/bench';
import { database, type Db } from '../data/database';
import { houseMark, widestLook } from '../data/looks';
import { countFloor, getPiece, listBin, listFloor, putBack, type BrokenPiece, type PieceRecord } from '../data/pieces';
import { getHouse } from '../data/settings';
import { Refusal } from './http';
import { lookAt, lookOf } from './looks';
import type { Look } from './planning';

export type { SmallSection } from './planning';

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

/** A stretch of the floor: what can be shown of it, what cannot be read, how many there are, how wide the widest is. */
export type FloorView = { rows: FloorRow[]; broken: BrokenPiece[]; next: number | null; widest: number };

/** So many rows come with the page itself: what a screen shows. */
const FIRST = 10;
/** So many are fetched at a time after that. */
const ROWS = 30;

function rowOf(db: Db, { id, piece }: PieceRecord, look: Look | null): FloorRow {
  const serial = serialOf(db, id);
  if (!look) return { id, piece, look: null, lacks: 'time', step: null, serial, done: 0, of: 0 };
  const { steps, section, size } = look;
  // A set that was made smaller has ticks of pieces that are no longer in it.
  const units = new Map(ticksDone(db, id).map((tick) => [tick.step, tick.units.filter((unit) => unit <= piece.count).length]));
  const open = steps.find(({ key }) => (units.get(key) ?? 0) < piece.count);
  const done = steps.reduce((sum, { key }) => sum + (units.get(key) ?? 0), 0);
  return { id, piece, look: { section, size }, lacks: null, step: open?.name ?? null, serial, done, of: steps.length * piece.count };
}

/**
 * A stretch of the workshop's floor, as far as it has been worked out: nothing is planned here.
 *
 * @param db the database
 * @param [from] so many are passed over
 * @param [find] words that are looked for in name, cloth, due day and kind
 */
export function floorView(db: Db, from = 0, find = ''): FloorView {
  const most = from === 0 ? FIRST : ROWS;
  const { pieces, broken } = listFloor(db, { from, most, find });
  const house = houseMark(getHouse(db));
  const rows = pieces.map((record) => rowOf(db, record, lookOf(db, record, house)));
  const next = from + most;
  return { rows, broken, next: next < countFloor(db, find) ? next : null, widest: widestLook(db) };
}

/** The longest search. */
const LONGEST = 200;

/** GET /api/floor?from=&find= */
export function readFloor(request: Request): Response {
  const asked = new URL(request.url).searchParams;
  const from = Number(asked.get('from') ?? 0);
  if (!Number.isSafeInteger(from) || from < 0) throw new Refusal(400, 'From must be a whole number');
  return Response.json(floorView(database(), from, (asked.get('find') ?? '').slice(0, LONGEST)));
}

/** GET /api/bin: what was removed and can be put back. */
export function readBin(): Response {
  return Response.json({ pieces: listBin(database()) });
}

/** POST /api/pieces/ID/back: puts a removed piece back on the floor. */
export function postBack(id: string): Response {
  if (!putBack(database(), id)) throw new Refusal(404, 'This piece is not in the bin.');
  return Response.json({ ok: true });
}

/** GET /api/pieces/ID/look: one row of the floor, worked out where that is still to be done. */
export async function readRow(id: string): Promise<Response> {
  const db = database();
  const record = getPiece(db, id);
  if (!record) throw new Refusal(404, 'This piece is no longer on the floor.');
  try {
    return Response.json(rowOf(db, record, await lookAt(db, record)));
  } catch (error) {
    // House rules changed since may no longer suit the piece; it can still be opened and mended.
    if (!(error instanceof PieceProblems)) throw error;
    return Response.json({ ...rowOf(db, record, null), lacks: 'rules' } satisfies FloorRow);
  }
}
