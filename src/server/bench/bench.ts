import { randomUUID } from 'node:crypto';
import { getPiece } from '../../data/pieces';
import { database } from '../../data/database';
import { addNote, getShop, listNotes, listTimers, startTimer, stopTimer, type BenchNote } from '../../data/diary';
import { listTicks } from '../../data/bench';
import { readPhoto } from '../../data/photos';
import { readObject, Refusal } from '../http';
import { lookAt, lookOf } from '../looks';
import { lookAsSeen } from '../seen';

const GONE = 'This piece is no longer on the floor.';
const ID = /^[0-9a-zA-Z-]{8,60}$/;
const LONGEST = 2000;
/** Nobody works on one step for longer, minutes. */
const LONGEST_TIME = 100_000;

function found(id: string) {
  const record = getPiece(database(), id);
  if (!record) throw new Refusal(404, GONE);
  return record;
}

/** GET /api/pieces/ID/bench: the run sheet, what is ticked, noted and running. */
export async function readBench(id: string): Promise<Response> {
  const db = database();
  const record = found(id);
  const { steps, fastening, section, cloth, foam, corners, board } = await lookAsSeen(record);
  const { name, count, strip } = record.piece;
  return Response.json({
    id,
    revision: record.revision,
    name,
    count,
    pins: strip?.pins ?? [],
    steps,
    fastening,
    section,
    cloth,
    foam,
    corners,
    board,
    piece: record.piece,
    people: getShop(db).people.map((person) => person.name),
    ticks: listTicks(db, id),
    notes: listNotes(db, id),
    timers: listTimers(db).filter(({ pieceId }) => pieceId === id),
    now: new Date().toISOString(),
  });
}

const text = (value: unknown): string => (typeof value === 'string' ? value.slice(0, LONGEST) : '');
const minutes = (value: unknown): number | null =>
  typeof value === 'number' && Number.isFinite(value) && value > 0 && value < LONGEST_TIME ? Math.round(value * 10) / 10 : null;
const moment = (value: unknown): string =>
  typeof value === 'string' && !Number.isNaN(Date.parse(value)) ? new Date(value).toISOString() : new Date().toISOString();

/** GET /api/pieces/ID/notes: what was said at its steps. */
export function readNotes(id: string): Response {
  found(id);
  return Response.json({ notes: listNotes(database(), id) });
}

/** POST /api/pieces/ID/notes: what was measured, seen, photographed, or how long it took, at a step. Sent twice it is one. */
export async function postNote(request: Request, id: string): Promise<Response> {
  const record = found(id);
  const { count } = record.piece;
  const body = await readObject(request);
  const { id: item, unit, step, photo } = body;
  if (typeof item !== 'string' || !ID.test(item)) throw new Refusal(400, 'A note has an id of its own');
  if (!Number.isInteger(unit) || (unit as number) < 0 || (unit as number) > count) throw new Refusal(400, `There are ${count} in this set`);
  if (typeof step !== 'string' || step.length === 0 || step.length > 120) throw new Refusal(400, 'At which step?');
  if (photo !== null && photo !== undefined && (typeof photo !== 'string' || readPhoto(photo) === null))
    throw new Refusal(400, 'That photo is not here');
  const note: BenchNote = {
    id: item,
    unit: unit as number,
    step,
    name: lookOf(database(), record)?.steps.find(({ key }) => key === step)?.name ?? '',
    at: moment(body.at),
    person: text(body.person).slice(0, 60),
    took: minutes(body.took),
    told: minutes(body.told),
    reading: text(body.reading),
    note: text(body.note),
    photo: (photo as string | null | undefined) ?? null,
  };
  if (note.took === null && !note.reading && !note.note && !note.photo) throw new Refusal(422, 'Nothing was noted');
  addNote(database(), id, note);
  return Response.json({ notes: listNotes(database(), id) }, { status: 201 });
}

/** GET /api/timers: everything that runs, and what time it is here. */
export function readTimers(): Response {
  return Response.json({ timers: listTimers(database()), now: new Date().toISOString() });
}

/** POST /api/timers: starts what a step waits for; the times are the run sheet's own. */
export async function postTimer(request: Request): Promise<Response> {
  const { id: item, piece, unit, step, at } = await readObject(request);
  if (typeof piece !== 'string') throw new Refusal(400, 'Of which piece?');
  const record = found(piece);
  const { steps } = await lookAt(database(), record);
  const what = steps.find(({ key }) => key === step);
  if (!what || what.wait <= 0) throw new Refusal(400, 'That step has no waiting time');
  if (!Number.isInteger(unit) || (unit as number) < 0 || (unit as number) > record.piece.count)
    throw new Refusal(400, `There are ${record.piece.count} in this set`);
  const started = new Date(moment(at)).getTime();
  const after = (wait: number): string => new Date(started + wait * 60_000).toISOString();
  startTimer(database(), {
    id: typeof item === 'string' && ID.test(item) ? item : randomUUID(),
    pieceId: piece,
    unit: unit as number,
    step: what.key,
    name: what.name,
    startedAt: new Date(started).toISOString(),
    readyAt: after(what.wait),
    untilAt: what.open === undefined ? null : after(what.open),
  });
  return Response.json({ timers: listTimers(database()) }, { status: 201 });
}

/** DELETE /api/timers/ID: it is gone on with, or given up. */
export function deleteTimer(id: string): Response {
  stopTimer(database(), id);
  return Response.json({ timers: listTimers(database()) });
}
