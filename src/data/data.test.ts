import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newChairSeat } from '../core/piece';
import { addLogEntry, listLog, listTicks, nextSerial, serialTaken, setTick } from './bench';
import { openDatabase, type Db } from './database';
import { createPiece, dropStaleSave, getPiece, listPieces, listStaleSaves, removePiece, savePiece, stepPiece } from './pieces';
import { getHouse, getSettings, markSeeded, setHouseRule, setSettings, wasSeeded } from './settings';

let folder: string;
let db: Db;

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fovea-'));
  db = openDatabase(folder);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

const named = (name: string) => ({ ...newChairSeat(), name });
const nameOf = (id: string) => getPiece(db, id)!.piece.name;

describe('pieces', () => {
  it('come back as they were, also after the database is opened again', () => {
    const { id } = createPiece(db, named('A'));
    db.close();
    db = openDatabase(folder);
    expect(getPiece(db, id)!.piece).toEqual(named('A'));
    expect(listPieces(db)).toHaveLength(1);
  });

  it('undo and redo walk every change, and a new change ends the redo', () => {
    const { id } = createPiece(db, named('A'));
    const step = (direction: 'undo' | 'redo') => stepPiece(db, id, direction, getPiece(db, id)!.revision);
    savePiece(db, id, { base: 1, piece: named('B') });
    savePiece(db, id, { base: 2, piece: named('C') });
    step('undo');
    expect(nameOf(id)).toBe('B');
    step('undo');
    expect(nameOf(id)).toBe('A');
    expect(step('undo')).toEqual({ nowhere: true });
    step('redo');
    expect(nameOf(id)).toBe('B');
    step('redo');
    expect(nameOf(id)).toBe('C');
    expect(step('redo')).toEqual({ nowhere: true });
    step('undo');
    const now = getPiece(db, id)!;
    savePiece(db, id, { base: now.revision, piece: named('D') });
    expect(getPiece(db, id)).toMatchObject({ canUndo: true, canRedo: false });
    step('undo');
    expect(nameOf(id)).toBe('B');
  });

  it('a stale save overwrites nothing and is kept until the user has chosen', () => {
    const { id } = createPiece(db, named('A'));
    expect(savePiece(db, id, { base: 1, piece: named('mine') })!.ok).toBe(true);
    const late = savePiece(db, id, { base: 1, piece: named('theirs') });
    expect(late!.ok).toBe(false);
    expect(nameOf(id)).toBe('mine');
    const [kept] = listStaleSaves(db, id);
    expect(kept!.piece.name).toBe('theirs');
    expect(dropStaleSave(db, id, kept!.id)).toBe(true);
    expect(listStaleSaves(db, id)).toHaveLength(0);
  });

  it('saving what is already there makes no revision', () => {
    const { id } = createPiece(db, named('A'));
    savePiece(db, id, { base: 1, piece: named('A') });
    expect(getPiece(db, id)!.revision).toBe(1);
  });

  it('are gone from the floor when removed', () => {
    const { id } = createPiece(db, named('A'));
    expect(removePiece(db, id)).toBe(true);
    expect(getPiece(db, id)).toBeNull();
    expect(savePiece(db, id, { base: 1, piece: named('B') })).toBeNull();
  });
});

describe('settings, bench and log', () => {
  it('keep unit, theme and house rules', () => {
    expect(getSettings(db)).toEqual({ unit: 'mm', theme: 'day' });
    setSettings(db, { unit: 'in' });
    setHouseRule(db, 'return', 60);
    expect([getSettings(db).unit, getHouse(db)]).toEqual(['in', { return: 60 }]);
    expect(setHouseRule(db, 'return', null)).toEqual({});
    expect(wasSeeded(db)).toBe(false);
    markSeeded(db);
    expect(wasSeeded(db)).toBe(true);
  });

  it('keep ticks per piece of the set and finished jobs by serial', () => {
    const { id } = createPiece(db, named('A'));
    setTick(db, id, { unit: 1, step: 'foam' }, true);
    setTick(db, id, { unit: 2, step: 'foam' }, true);
    setTick(db, id, { unit: 1, step: 'foam' }, false);
    expect(listTicks(db, id)).toEqual([{ unit: 2, step: 'foam' }]);
    expect(nextSerial(db, 2026)).toBe('2026-001');
    addLogEntry(db, { pieceId: id, revision: 1, serial: '2026-001', note: 'firm' });
    expect(serialTaken(db, '2026-001')).toBe(true);
    expect(nextSerial(db, 2026)).toBe('2026-002');
    expect(listLog(db)[0]).toMatchObject({ serial: '2026-001', note: 'firm', piece: { name: 'A' } });
  });
});
