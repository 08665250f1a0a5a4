import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newChairSeat, type Piece } from '../core/piece';
import { listLog } from '../data/bench';
import { database } from '../data/database';
import type { PieceRecord } from '../data/pieces';
import { answer, LARGEST_BODY } from './http';
import { floorView, readRow, type FloorRow } from './floor';
import { looksLater } from './looks';
import * as routes from './pieces';
import { planning } from './planning';
import { weekly } from '../testing/weekly';

const folder = mkdtempSync(join(tmpdir(), 'fovea-'));

beforeAll(() => {
  process.env.FOVEA_DATA = folder;
});
afterAll(async () => {
  looksLater().stop();
  await planning().close();
  database().close();
  rmSync(folder, { recursive: true });
});

const request = (body: unknown): Request =>
  new Request('http://127.0.0.1/', { method: 'POST', body: typeof body === 'string' ? body : JSON.stringify(body) });
const json = async (response: Response): Promise<Record<string, unknown>> => (await response.json()) as Record<string, unknown>;
const make = async (change: Partial<Piece> = {}): Promise<PieceRecord> => {
  const response = await answer(() => routes.postPiece(request({ piece: { ...newChairSeat(), ...change } })));
  expect(response.status).toBe(201);
  return (await response.json()) as PieceRecord;
};

describe('saving', () => {
  it('keeps a piece, refuses what is not one, and says where it is wrong', async () => {
    const { id, revision } = await make({ name: 'One' });
    expect(revision).toBe(1);
    const bad = await answer(() => routes.putPiece(request({ base: 1, piece: { ...newChairSeat(), count: 0 } }), id));
    expect(bad.status).toBe(422);
    expect(await json(bad)).toMatchObject({ problems: [{ path: 'count', message: 'Quantity cannot be 0; 1 minimum' }] });
    expect((await answer(() => routes.putPiece(request({ piece: newChairSeat() }), id))).status).toBe(400);
    expect((await answer(() => routes.putPiece(request({ base: 1, piece: newChairSeat() }), 'nobody'))).status).toBe(404);
  });

  it('answers 409 to a stale save with what is there now, and drops the stale one when told', async () => {
    const { id } = await make();
    await answer(() => routes.putPiece(request({ base: 1, piece: { ...newChairSeat(), name: 'First' } }), id));
    const late = await answer(() => routes.putPiece(request({ base: 1, piece: { ...newChairSeat(), name: 'Late' } }), id));
    expect(late.status).toBe(409);
    const body = await json(late);
    expect(body.current).toMatchObject({ revision: 2, piece: { name: 'First' } });
    expect((await answer(() => routes.deleteStale(request({ stale: body.keptAs }), id))).status).toBe(200);
    expect((await answer(() => routes.deleteStale(request({ stale: body.keptAs }), id))).status).toBe(404);
  });

  it('steps back and forward, and not from a revision that is no longer the last', async () => {
    const { id } = await make({ name: 'A' });
    await answer(() => routes.putPiece(request({ base: 1, piece: { ...newChairSeat(), name: 'B' } }), id));
    expect((await answer(() => routes.postStep(request({ direction: 'undo', base: 1 }), id))).status).toBe(409);
    const undone = await answer(() => routes.postStep(request({ direction: 'undo', base: 2 }), id));
    expect(await json(undone)).toMatchObject({ revision: 3, canRedo: true, piece: { name: 'A' } });
    expect((await answer(() => routes.postStep(request({ direction: 'undo', base: 3 }), id))).status).toBe(409);
    expect((await answer(() => routes.postStep(request({ direction: 'sideways', base: 3 }), id))).status).toBe(400);
  });

  it.each([
    ['{', 422, 'not JSON'],
    ['[]', 422, 'must be a record'],
    [JSON.stringify({ ...newChairSeat(), kind: 'throne' }), 422, 'chair-seat'],
    ['x'.repeat(LARGEST_BODY + 1), 413, 'larger than 1 MB'],
  ])('importing nonsense is refused: %#', async (text, status, words) => {
    const response = await answer(() => routes.importPiece(request(text)));
    expect(response.status).toBe(status);
    expect(String((await json(response)).message)).toContain(words);
  });

  it('export and import give the same document', async () => {
    const { id, piece } = await make({ name: 'Out and in' });
    const file = await routes.exportPiece(id).text();
    const back = await answer(() => routes.importPiece(request(file)));
    expect(((await back.json()) as PieceRecord).piece).toEqual(piece);
  });
});

describe('bench, log and house', () => {
  weekly(1)('ticks only steps and pieces there are, and the floor says what is next', async () => {
    const { id } = await make({ name: 'Ticked', count: 2 });
    for (const wrong of [
      { unit: 3, step: 'foam', done: true },
      { unit: 1, step: 'dance <b>', done: true },
      { unit: 1, step: 'foam', done: 'yes' },
    ]) {
      expect((await answer(() => routes.putTick(request(wrong), id))).status).toBe(400);
    }
    await answer(() => routes.putTick(request({ unit: 1, step: 'board', done: true }), id));
    await answer(() => routes.putTick(request({ unit: 2, step: 'board', done: true }), id));
    expect(routes.ticksOf(id)).toHaveLength(2);
    const before = floorView(database()).rows.find((floorRow) => floorRow.id === id);
    expect(before).toMatchObject({ look: null, lacks: 'time' });
    const row = (await readRow(id).then((response) => response.json())) as FloorRow;
    expect(floorView(database()).rows.find((floorRow) => floorRow.id === id)).toEqual(row);
    expect(row).toMatchObject({ step: 'Cut the foam', done: 2, of: 34 });
    expect(row!.look!.section!.cover.length).toBeGreaterThan(3);
  });

  it('a piece that was taken off is no longer on the floor', async () => {
    const bare = await make({ pads: [] });
    const there = () => floorView(database()).rows.some((row) => row.id === bare.id);
    expect(there()).toBe(true);
    routes.deletePiece(bare.id);
    expect(there()).toBe(false);
    expect((await answer(() => routes.readPiece(bare.id))).status).toBe(404);
  });

  it('finishes a job once per serial number', async () => {
    const { id } = await make();
    const finish = (serial: unknown, note: unknown = '') => answer(() => routes.postFinish(request({ serial, note }), id));
    expect((await finish('T-1')).status).toBe(201);
    // Asked again with the same number it is the same finish; of another piece, or of a later state, it is not.
    expect((await finish('T-1')).status).toBe(201);
    expect(listLog(database()).entries.filter(({ serial }) => serial === 'T-1')).toHaveLength(1);
    expect((await finish('T-1', 'Another note')).status).toBe(422);
    const { id: other } = await make({ name: 'Other' });
    expect((await answer(() => routes.postFinish(request({ serial: 'T-1', note: '' }), other))).status).toBe(422);
    expect((await finish('  ')).status).toBe(422);
    expect((await finish('T-2', 7)).status).toBe(422);
  });

  it('takes house rules and settings within reason', async () => {
    expect((await answer(() => routes.putHouse(request({ key: 'return', value: 60 })))).status).toBe(200);
    expect((await answer(() => routes.putHouse(request({ key: 'return', value: null })))).status).toBe(200);
    expect((await answer(() => routes.putHouse(request({ key: 'return', value: -4 })))).status).toBe(422);
    expect((await answer(() => routes.putHouse(request({ key: 'hats', value: 4 })))).status).toBe(422);
    expect((await answer(() => routes.putSettings(request({ unit: 'cubit' })))).status).toBe(400);
    expect(await json(await answer(() => routes.putSettings(request({ theme: 'evening' }))))).toEqual({
      unit: 'mm',
      theme: 'evening',
      currency: '',
      words: 'british',
    });
    expect(await json(await answer(() => routes.putSettings(request({ currency: 'GBP' }))))).toMatchObject({ currency: 'GBP' });
    expect(await json(await answer(() => routes.putSettings(request({ words: 'american' }))))).toMatchObject({ words: 'american' });
  });

  it('gives patterns and the cut list in the formats there are and no other', async () => {
    const { id } = await make();
    const patterns = (format: string) => answer(() => routes.exportPatterns(new Request(`http://127.0.0.1/?format=${format}`), id));
    for (const [format, media, begins] of [
      ['svg', 'image/svg+xml', '<svg'],
      ['dxf', 'image/vnd.dxf', '0\nSECTION'],
      ['csv', 'text/csv', 'what,of,count'],
    ] as const) {
      const file = await patterns(format);
      expect(file.headers.get('content-type')).toContain(media);
      expect(file.headers.get('content-disposition')).toContain(`.${format}"`);
      expect((await file.text()).startsWith(begins)).toBe(true);
    }
    expect((await patterns('exe')).status).toBe(400);
    expect((await answer(() => routes.exportPatterns(new Request('http://127.0.0.1/?format=svg'), 'nobody'))).status).toBe(404);
  });

  weekly(2)('prints a PDF on the papers there are and no other, whole or in parts', async () => {
    const { id } = await make();
    const print = (paper: string) => answer(() => routes.printPiece(new Request(`http://127.0.0.1/?paper=${paper}`), id));
    const pdf = await print('letter');
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
    expect(new TextDecoder().decode((await pdf.arrayBuffer()).slice(0, 5))).toBe('%PDF-');
    expect((await print('a6')).status).toBe(400);
    expect((await print('a4&parts=job,hats')).status).toBe(400);
    expect((await print('a4&modes=t1:folded')).status).toBe(400);
    const pages = async (asked: string) =>
      (await json(await answer(() => routes.readPages(new Request(`http://127.0.0.1/?${asked}`), id)))) as {
        pages: unknown[];
        templates: { mode: string }[];
      };
    const job = await pages('paper=a4&parts=job');
    expect(job.pages.length).toBeLessThan(3);
    expect((await pages('paper=a4&parts=')).pages).toHaveLength(0);
    expect((await pages('paper=a4&parts=job&modes=foam-crown:none,foam-main:none')).templates[0]!.mode).toBe('none');
  });
});
