import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newChairSeat } from '../core/piece';
import { listLog, listTicks } from '../data/bench';
import { listBackups, makeBackup } from '../data/backup';
import { closeDatabase, database, openDatabase } from '../data/database';
import { createPiece, listPieces, removePiece } from '../data/pieces';
import { postBackup, postPutBack, postRestore } from './backups';
import { layOutDemo, postDemo } from './demo';
import { answer } from './http';
import { weekly } from '../testing/weekly';

let folder: string;
let before: string | undefined;

beforeEach(() => {
  before = process.env.FOVEA_DATA;
  closeDatabase();
  folder = mkdtempSync(join(tmpdir(), 'fovea-first-'));
  process.env.FOVEA_DATA = folder;
});

afterEach(() => {
  closeDatabase();
  rmSync(folder, { recursive: true, force: true });
  if (before === undefined) delete process.env.FOVEA_DATA;
  else process.env.FOVEA_DATA = before;
});

const restore = (body: Uint8Array): Promise<Response> =>
  answer(() => postRestore(new Request('http://127.0.0.1/api/restore', { method: 'POST', body: Buffer.from(body) })));

describe('the demo workshop', () => {
  weekly(3)('is laid out in an empty workshop: pieces, one of them in hand, one job in the log', () => {
    expect(postDemo().status).toBe(201);
    const pieces = listPieces(database());
    expect(pieces).toHaveLength(8);
    const chairs = pieces.find(({ piece }) => piece.count === 8)!;
    expect(listTicks(database(), chairs.id).length).toBeGreaterThan(20);
    expect(listLog(database()).entries.map(({ serial }) => serial)).toEqual(['2025-007']);
    // Each has a colour to be seen in.
    for (const { piece } of pieces) expect(piece.cloth.colour, piece.name).toBeDefined();
  });

  it('is not put among pieces of one’s own', async () => {
    createPiece(database(), newChairSeat());
    const refused = await answer(() => postDemo());
    expect(refused.status).toBe(409);
    expect(listPieces(database())).toHaveLength(1);
  });

  weekly(0)('comes back by itself only once, and again when it is asked for; its job is logged once', () => {
    expect(layOutDemo(database())).toBe(true);
    for (const { id } of listPieces(database())) removePiece(database(), id);
    expect(layOutDemo(database())).toBe(false);
    expect(postDemo().status).toBe(201);
    expect(listLog(database()).entries).toHaveLength(1);
  });
});

describe('a backup brought into an empty workshop', () => {
  const backedUp = async (): Promise<Uint8Array> => {
    const other = mkdtempSync(join(tmpdir(), 'fovea-other-'));
    const db = openDatabase(other);
    createPiece(db, { ...newChairSeat(), name: 'From elsewhere' });
    const path = await makeBackup(db, other);
    const bytes = readFileSync(path);
    db.close();
    rmSync(other, { recursive: true, force: true });
    return bytes;
  };

  it('is there, whole, and the workshop goes on without a stop', async () => {
    expect(listPieces(database())).toHaveLength(0);
    const answered = await restore(await backedUp());
    expect(answered.status).toBe(201);
    expect(await answered.json()).toMatchObject({ pieces: 1, photos: 0 });
    expect(listPieces(database()).map(({ piece }) => piece.name)).toEqual(['From elsewhere']);
    createPiece(database(), newChairSeat());
    expect(listPieces(database())).toHaveLength(2);
  });

  it('changes nothing where it is damaged, or where there are pieces', async () => {
    const bytes = await backedUp();
    const broken = Uint8Array.from(bytes);
    broken.fill(0, Math.floor(broken.length / 2));
    const refused = await restore(broken);
    expect(refused.status).toBe(422);
    expect(((await refused.json()) as { message: string }).message).toMatch(/damaged|breaks off|lacks/);
    expect(listPieces(database())).toHaveLength(0);
    createPiece(database(), { ...newChairSeat(), name: 'Mine' });
    expect((await restore(bytes)).status).toBe(409);
    expect(listPieces(database()).map(({ piece }) => piece.name)).toEqual(['Mine']);
  });
});

describe('a backup put back over a workshop with pieces', () => {
  const names = (): string[] => listPieces(database()).map(({ piece }) => piece.name);

  it('backs up today’s workshop first, and that can be put back the same way', async () => {
    const { id } = createPiece(database(), { ...newChairSeat(), name: 'Monday' });
    const made = (await (await postBackup()).json()) as { name: string };
    removePiece(database(), id);
    createPiece(database(), { ...newChairSeat(), name: 'Tuesday' });
    const back = await answer(() => postPutBack(made.name));
    expect(back.status).toBe(201);
    const { pieces, before } = (await back.json()) as { pieces: number; before: string };
    expect(pieces).toBe(1);
    expect(names()).toEqual(['Monday']);
    expect(listBackups(folder).map(({ name }) => name)).toContain(before);
    expect((await answer(() => postPutBack(before))).status).toBe(201);
    expect(names()).toEqual(['Tuesday']);
  });

  it('is sent by the page only where it says that it replaces', async () => {
    createPiece(database(), { ...newChairSeat(), name: 'Mine' });
    const file = await makeBackup(database(), folder, join(folder, 'elsewhere.tar.gz'));
    const send = (query: string): Promise<Response> =>
      answer(() => postRestore(new Request(`http://127.0.0.1/api/restore${query}`, { method: 'POST', body: readFileSync(file) })));
    expect((await send('')).status).toBe(409);
    expect((await send('?replace=1')).status).toBe(201);
    expect(names()).toEqual(['Mine']);
  });

  it('refuses a name that is no backup', async () => {
    expect((await answer(() => postPutBack('../fovea.sqlite'))).status).toBe(404);
  });
});
