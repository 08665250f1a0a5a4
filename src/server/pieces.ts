import { parseDocument, readDocument } from '../core/document';
import { writeDxf } from '../core/formats/dxf';
import { PRINT_PARTS } from '../core/formats/print/choice';
import { writeSvg } from '../core/formats/svg';
import { TEMPLATE_MODES, type TemplateMode } from '../core/formats/templates';
import { isPaper, PAPER_IDS } from '../core/formats/tiles';
import { checkRule } from '../core/house';
import { UNITS, type Unit } from '../core/length';
import { isDialect } from '../core/dialect';
import { isCurrency } from '../core/money';
import { baseOutline } from '../core/outline';
import { PieceProblems, type Piece } from '../core/piece';
import { addLogEntry, finishedAs, listLog, listTicks, serialTaken, setTick, type Tick } from '../data/bench';
import { database } from '../data/database';
import {
  createPiece,
  dropStaleSave,
  getPiece,
  listFloor,
  mendPiece,
  removePiece,
  renewStaleSave,
  savePiece,
  stepPiece,
  type PieceRecord,
} from '../data/pieces';
import { getHouse, getSettings, setHouseRule, setSettings, type Settings } from '../data/settings';
import { readObject, readText, Refusal } from './http';
import { lanAddresses } from './entrance/entrance';
import { lookOf, looksLater } from './looks';
import { PATTERN_FORMATS } from '../core/formats/pattern-formats';
import { planning } from './planning';
import { asSeen, lookAsSeen } from './seen';
import { chosenLengths } from './store/chosen';

/** An id of a save is made by the page: a random UUID. */
const SAVE_ID = /^[0-9a-f-]{16,40}$/;

function saveIdOf(body: unknown): string | undefined {
  if (body === undefined) return undefined;
  if (typeof body !== 'string' || !SAVE_ID.test(body)) throw new Refusal(400, 'The id of a save is 16 to 40 hexadecimal characters');
  return body;
}

function created(record: PieceRecord): Response {
  looksLater().wanted(record.id);
  return Response.json(record, { status: 201 });
}

const GONE = 'This piece is no longer on the floor.';
const LONGEST_NOTE = 5000;

function found(id: string): PieceRecord {
  const record = getPiece(database(), id);
  if (!record) throw new Refusal(404, GONE);
  return record;
}

/** A piece that can be planned by the house's own rules: the one check of a document. */
function plannable(data: unknown): Piece {
  return readDocument(data, getHouse(database()));
}

/** GET /api/pieces: everything on the floor. */
export function readPieces(): Response {
  return Response.json(listFloor(database()));
}

/** POST /api/pieces: keeps a new piece. */
export async function postPiece(request: Request): Promise<Response> {
  const { piece, save } = await readObject(request);
  return created(createPiece(database(), plannable(piece), saveIdOf(save)));
}

/** POST /api/import: keeps a piece from a JSON file's text. */
export async function importPiece(request: Request): Promise<Response> {
  const piece = parseDocument(await readText(request), getHouse(database()));
  return created(createPiece(database(), piece));
}

/** PUT /api/pieces/ID: saves a piece that started from a revision; 409 when another save came first. */
export async function putPiece(request: Request, id: string): Promise<Response> {
  const body = await readObject(request);
  if (!Number.isInteger(body.base)) throw new Refusal(400, 'A save must name the revision it started from');
  const save = { base: body.base as number, piece: plannable(body.piece), saveId: saveIdOf(body.save), after: saveIdOf(body.after) };
  const result = savePiece(database(), id, save);
  if (!result) throw new Refusal(404, GONE);
  if (result.ok) {
    looksLater().wanted(id);
    return Response.json(result.record);
  }
  return Response.json(
    {
      message: 'This piece was changed elsewhere since you opened it. Nothing was overwritten.',
      current: result.current,
      keptAs: result.keptAs,
    },
    { status: 409 },
  );
}

/** GET /api/pieces/ID */
export function readPiece(id: string): Response {
  return Response.json(found(id));
}

/** DELETE /api/pieces/ID: takes it off the floor. */
export function deletePiece(id: string): Response {
  if (!removePiece(database(), id)) throw new Refusal(404, GONE);
  return Response.json({ ok: true });
}

/** POST /api/pieces/ID/step: undo or redo. */
export async function postStep(request: Request, id: string): Promise<Response> {
  const { direction, base } = await readObject(request);
  if (direction !== 'undo' && direction !== 'redo') throw new Refusal(400, 'Step must be undo or redo');
  if (!Number.isInteger(base)) throw new Refusal(400, 'A step must name the revision it is taken from');
  const result = stepPiece(database(), id, direction, base as number);
  if (!result) throw new Refusal(404, GONE);
  if ('current' in result)
    return Response.json({ message: 'This piece was changed elsewhere; here it is as it stands now.', ...result }, { status: 409 });
  if ('nowhere' in result) throw new Refusal(409, direction === 'undo' ? 'There is nothing to undo' : 'There is nothing to redo');
  looksLater().wanted(id);
  return Response.json(result.record);
}

/** PUT /api/pieces/ID/stale: what was put aside has grown while its page waits for a choice. */
export async function putStale(request: Request, id: string): Promise<Response> {
  const { stale, piece } = await readObject(request);
  if (!Number.isInteger(stale) || !renewStaleSave(database(), id, stale as number, plannable(piece)))
    throw new Refusal(404, 'That version is no longer kept');
  return Response.json({ ok: true });
}

/** POST /api/pieces/ID/mend: a piece whose record is damaged goes back to its last whole version. */
export function postMend(id: string): Response {
  const record = mendPiece(database(), id);
  if (!record) throw new Refusal(404, 'No version of this piece can be read any more; remove it, or restore a backup.');
  return Response.json(record);
}

/** DELETE /api/pieces/ID/stale: forgets a save that came too late. */
export async function deleteStale(request: Request, id: string): Promise<Response> {
  const { stale } = await readObject(request);
  if (!Number.isInteger(stale) || !dropStaleSave(database(), id, stale as number)) throw new Refusal(404, 'That version is no longer kept');
  return Response.json({ ok: true });
}

/** GET /api/pieces/ID/ticks: what is done by now, whoever ticked it. */
export function readTicks(id: string): Response {
  return Response.json({ ticks: listTicks(database(), found(id).id) });
}

/** Names of steps are short words with hyphens. */
const STEP = /^[a-z0-9][a-z0-9 .:_/-]{0,79}$/i;

/**
 * PUT /api/pieces/ID/ticks: a step of one piece of the set is done, or not after all. Nothing is planned for it: a step is
 * looked up on the run sheet where that is known, and where it is not yet only its form is looked at.
 */
export async function putTick(request: Request, id: string): Promise<Response> {
  const { unit, step, done } = await readObject(request);
  const record = found(id);
  const { count } = record.piece;
  if (!Number.isInteger(unit) || (unit as number) < 1 || (unit as number) > count) throw new Refusal(400, `There are ${count} in this set`);
  const look = lookOf(database(), record) && (await lookAsSeen(record));
  if (typeof step !== 'string' || !STEP.test(step) || (look && !look.steps.some((s) => s.key === step)))
    throw new Refusal(400, 'That step is not on the run sheet');
  if (typeof done !== 'boolean') throw new Refusal(400, 'Done must be true or false');
  return Response.json({ ticks: setTick(database(), id, { unit, step } as Tick, done) });
}

/** POST /api/pieces/ID/finish: writes the job into the log. */
export async function postFinish(request: Request, id: string): Promise<Response> {
  const { serial, note } = await readObject(request);
  const record = found(id);
  const number = typeof serial === 'string' ? serial.trim() : '';
  if (!number || number.length > 40) throw new Refusal(422, 'A serial number has 1 to 40 characters');
  if (typeof note !== 'string' || note.length > LONGEST_NOTE) throw new Refusal(422, `A note has at most ${LONGEST_NOTE} characters`);
  // A finish whose answer was lost and that is sent again is the same one; with another note it is not.
  if (finishedAs(database(), { pieceId: id, revision: record.revision, serial: number, note }))
    return Response.json({ ok: true }, { status: 201 });
  if (serialTaken(database(), number)) throw new Refusal(422, `Serial number ${number} is already in the log; take another`);
  addLogEntry(database(), { pieceId: id, revision: record.revision, serial: number, note });
  return Response.json({ ok: true }, { status: 201 });
}

function fileName(piece: Piece): string {
  return (
    piece.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 60) || 'piece'
  );
}

/** GET /api/pieces/ID/export: the piece as a JSON file. */
export function exportPiece(id: string): Response {
  const { piece } = found(id);
  return new Response(`${JSON.stringify(piece, null, 2)}\n`, {
    headers: { 'content-type': 'application/json', 'content-disposition': `attachment; filename="${fileName(piece)}.json"` },
  });
}

/** GET /api/pieces/ID/outline?format=svg|dxf: the base's outline with its holes, in millimetres. */
export function exportOutline(request: Request, id: string): Response {
  const { piece } = found(id);
  const format = new URL(request.url).searchParams.get('format');
  if (format !== 'svg' && format !== 'dxf') throw new Refusal(400, 'The format must be svg or dxf');
  const outline = baseOutline(piece.base.shape, piece.base.notches);
  const text = format === 'svg' ? writeSvg(outline, piece.base.holes) : writeDxf(outline, piece.base.holes);
  return new Response(text, {
    headers: {
      'content-type': format === 'svg' ? 'image/svg+xml' : 'image/vnd.dxf',
      'content-disposition': `attachment; filename="${fileName(piece)}.${format}"`,
    },
  });
}

/** GET /api/pieces/ID/patterns?format=svg|dxf|csv: every piece at full size in one drawing, or the cut list. */
export async function exportPatterns(request: Request, id: string): Promise<Response> {
  const record = found(id);
  const { piece } = record;
  const asked = new URL(request.url).searchParams.get('format');
  const format = PATTERN_FORMATS.find((known) => known.id === asked);
  if (!format) throw new Refusal(400, `The format must be one of ${PATTERN_FORMATS.map((known) => known.id).join(', ')}`);
  const text = await planning().patterns({ ...asSeen(record), format: format.id }, request.signal);
  return new Response(text, {
    headers: {
      'content-type': `${format.media}; charset=utf-8`,
      'content-disposition': `attachment; filename="${fileName(piece)}-${format.id === 'csv' ? 'cut-list' : 'patterns'}.${format.id}"`,
    },
  });
}

/** A list in an address: its parts, each one of those there are. */
function listed<T extends string>(text: string | null, all: readonly { id: T }[], what: string): T[] | undefined {
  if (text === null) return undefined;
  const ids = text.split(',').filter(Boolean);
  for (const text of ids) if (all.every(({ id }) => id !== text)) throw new Refusal(400, `There is no ${what} “${text.slice(0, 20)}”`);
  return ids as T[];
}

/** What is to be printed, as an address says it: `paper`, `parts` by commas, `modes` of templates as `cloth-cover:half`. */
function printAsked(request: Request, id: string) {
  const { searchParams } = new URL(request.url);
  const paper = searchParams.get('paper') ?? 'a4';
  if (!isPaper(paper)) throw new Refusal(400, `Paper must be one of ${PAPER_IDS.join(', ')}`);
  const parts = listed(searchParams.get('parts'), PRINT_PARTS, 'part');
  const pairs = (searchParams.get('modes') ?? '').split(',').filter(Boolean).slice(0, 200);
  const modes: Record<string, TemplateMode> = {};
  for (const pair of pairs) {
    const [template = '', mode = ''] = pair.split(':');
    modes[template] = listed(mode, TEMPLATE_MODES, 'way to print')![0]!;
  }
  const record = found(id);
  const { piece } = record;
  const [lan] = lanAddresses();
  const settings = getSettings(database());
  return {
    piece,
    asked: {
      ...asSeen(record),
      chosen: chosenLengths(record),
      unit: settings.unit,
      words: settings.words,
      paper,
      // A tablet cannot open this machine’s own address: only a workshop that is on the network has codes on its labels.
      ...(lan ? { address: `http://${lan}/piece/${id}?stage=bench` } : {}),
      choice: { ...(parts ? { parts } : {}), modes },
    },
  };
}

/** GET /api/pieces/ID/print?paper=&parts=&modes=: job sheet, cut sheet, run sheet, labels and templates as one PDF. */
export async function printPiece(request: Request, id: string): Promise<Response> {
  const { piece, asked } = printAsked(request, id);
  const bytes = await planning().print(asked, request.signal);
  return new Response(Buffer.from(bytes), {
    headers: { 'content-type': 'application/pdf', 'content-disposition': `attachment; filename="${fileName(piece)}.pdf"` },
  });
}

/** GET /api/pieces/ID/pages, asked as print is: the pages to look at, and how each template can be printed. */
export async function readPages(request: Request, id: string): Promise<Response> {
  return Response.json(await planning().pages(printAsked(request, id).asked, request.signal));
}

/** PUT /api/house: one rule, or null for its default. */
export async function putHouse(request: Request): Promise<Response> {
  const { key, value } = await readObject(request);
  if (typeof key !== 'string') throw new Refusal(400, 'Which house rule?');
  if (value !== null) {
    const wrong = checkRule(key, value);
    if (wrong) throw new PieceProblems([{ path: key, message: wrong }]);
  }
  return Response.json({ house: setHouseRule(database(), key, value as number | null) });
}

/** PUT /api/settings: unit, theme, currency or words. */
export async function putSettings(request: Request): Promise<Response> {
  const { unit, theme, currency, words } = await readObject(request);
  const change: Partial<Settings> = {};
  if (unit !== undefined) {
    if (!UNITS.includes(unit as Unit)) throw new Refusal(400, 'The unit must be mm, cm or in');
    change.unit = unit as Unit;
  }
  if (theme !== undefined) {
    if (theme !== 'day' && theme !== 'evening') throw new Refusal(400, 'The theme must be day or evening');
    change.theme = theme;
  }
  if (currency !== undefined) {
    if (!isCurrency(currency)) throw new Refusal(400, 'The currency is a code of three letters, like GBP, or nothing');
    change.currency = currency;
  }
  if (words !== undefined) {
    if (!isDialect(words)) throw new Refusal(400, 'The words are british or american');
    change.words = words;
  }
  return Response.json(setSettings(database(), change));
}

/** GET /api/log?search=&from=: finished work, newest first, a page at a time. */
export function readLog(request: Request): Response {
  const { searchParams } = new URL(request.url);
  const from = Number(searchParams.get('from') ?? 0);
  if (!Number.isSafeInteger(from) || from < 0) throw new Refusal(400, 'From must be a whole number');
  return Response.json(listLog(database(), { search: (searchParams.get('search') ?? '').slice(0, 200), from }));
}

/** The ticks of a piece, for its bench view. */
export function ticksOf(id: string): Tick[] {
  return listTicks(database(), id);
}
