import { describe, expect, it } from 'vitest';
import { newChairSeat, newPiece } from '../core/piece';
import { addLogEntry, listLog, listTicks, nextSerial, serialTaken, setTick } from './bench';
import { eachInItsOwn } from '../testing/workshop';
import { openDatabase } from './database';
import {
  countFloor,
  createPiece,
  dropStaleSave,
  getPiece,
  listBin,
  listFloor,
  listPieces,
  listStaleSaves,
  putBack,
  removePiece,
  savePiece,
  stepPiece,
} from './pieces';
import { getHouse, getSettings, markSeeded, setHouseRule, setSettings, wasSeeded } from './settings';

const at = eachInItsOwn();

const named = (name: string) => ({ ...newChairSeat(), name });
const nameOf = (id: string) => getPiece(at.db, id)!.piece.name;

describe('pieces', () => {
  it('come back as they were, also after the database is opened again', () => {
    const { id } = createPiece(at.db, named('A'));
    at.db.close();
    at.db = openDatabase(at.folder);
    expect(getPiece(at.db, id)!.piece).toEqual(named('A'));
    expect(listPieces(at.db)).toHaveLength(1);
  });

  it('undo and redo walk every change, and a new change ends the redo', () => {
    const { id } = createPiece(at.db, named('A'));
    const step = (direction: 'undo' | 'redo') => stepPiece(at.db, id, direction, getPiece(at.db, id)!.revision);
    savePiece(at.db, id, { base: 1, piece: named('B') });
    savePiece(at.db, id, { base: 2, piece: named('C') });
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
    const now = getPiece(at.db, id)!;
    savePiece(at.db, id, { base: now.revision, piece: named('D') });
    expect(getPiece(at.db, id)).toMatchObject({ canUndo: true, canRedo: false });
    step('undo');
    expect(nameOf(id)).toBe('B');
  });

  it('a stale save overwrites nothing and is kept until the user has chosen', () => {
    const { id } = createPiece(at.db, named('A'));
    expect(savePiece(at.db, id, { base: 1, piece: named('mine') })!.ok).toBe(true);
    const late = savePiece(at.db, id, { base: 1, piece: named('theirs') });
    expect(late!.ok).toBe(false);
    expect(nameOf(id)).toBe('mine');
    const [waiting] = listStaleSaves(at.db, id);
    expect(waiting!.piece.name).toBe('theirs');
    expect(dropStaleSave(at.db, id, waiting!.id)).toBe(true);
    expect(listStaleSaves(at.db, id)).toHaveLength(0);
  });

  it('saving what is already there makes no revision', () => {
    const { id } = createPiece(at.db, named('A'));
    savePiece(at.db, id, { base: 1, piece: named('A') });
    expect(getPiece(at.db, id)!.revision).toBe(1);
  });

  it('are gone from the floor when removed', () => {
    const { id } = createPiece(at.db, named('A'));
    expect(removePiece(at.db, id)).toBe(true);
    expect(getPiece(at.db, id)).toBeNull();
    expect(savePiece(at.db, id, { base: 1, piece: named('B') })).toBeNull();
  });

  it('come back out of the bin with their history, for thirty days', () => {
    const { id } = createPiece(at.db, named('A'));
    savePiece(at.db, id, { base: 1, piece: named('A, wider') });
    removePiece(at.db, id);
    expect(listBin(at.db)).toMatchObject([{ id, name: 'A, wider' }]);
    expect(putBack(at.db, id)).toBe(true);
    expect(putBack(at.db, id)).toBe(false);
    expect(getPiece(at.db, id)).toMatchObject({ revision: 2, canUndo: true });
    removePiece(at.db, id);
    at.db.prepare('UPDATE piece SET removed_at = ?').run(new Date(Date.now() - 31 * 86_400_000).toISOString());
    expect(listBin(at.db)).toEqual([]);
  });

  it('are found by every word of a search in name, cloth, kind and due day; a damaged record by none', () => {
    const seat = createPiece(at.db, { ...named('Porch 100 %'), due: '2026-12-11' });
    createPiece(at.db, newPiece('saddle'));
    const found = (find: string): number => {
      const { pieces, broken } = listFloor(at.db, { find });
      expect(countFloor(at.db, find)).toBe(pieces.length + broken.length);
      return pieces.length;
    };
    expect([found(''), found('porch'), found('saddle'), found('2026-12'), found('porch 2026-12-11'), found('porch saddle')]).toEqual([
      2, 1, 1, 1, 1, 0,
    ]);
    // What means something to the database is a letter like another.
    expect([found('100 %'), found('%'), found('_')]).toEqual([1, 1, 0]);
    at.db.prepare('UPDATE revision SET json = ? WHERE piece_id = ?').run('{"name":', seat.id);
    expect(found('porch')).toBe(0);
  });
});

describe('settings, bench and log', () => {
  it('keep unit, theme and house rules', () => {
    expect(getSettings(at.db)).toEqual({ unit: 'mm', theme: 'day', currency: '', words: 'british' });
    setSettings(at.db, { unit: 'in' });
    setHouseRule(at.db, 'return', 60);
    expect([getSettings(at.db).unit, getHouse(at.db)]).toEqual(['in', { return: 60 }]);
    expect(setHouseRule(at.db, 'return', null)).toEqual({});
    expect(wasSeeded(at.db)).toBe(false);
    markSeeded(at.db);
    expect(wasSeeded(at.db)).toBe(true);
  });

  it('keep ticks per piece of the set and finished jobs by serial', () => {
    const { id } = createPiece(at.db, named('A'));
    setTick(at.db, id, { unit: 1, step: 'foam' }, true);
    setTick(at.db, id, { unit: 2, step: 'foam' }, true);
    setTick(at.db, id, { unit: 1, step: 'foam' }, false);
    expect(listTicks(at.db, id)).toEqual([{ unit: 2, step: 'foam' }]);
    expect(nextSerial(at.db, 2026)).toBe('2026-001');
    addLogEntry(at.db, { pieceId: id, revision: 1, serial: '2026-001', note: 'firm' });
    expect(serialTaken(at.db, '2026-001')).toBe(true);
    expect(nextSerial(at.db, 2026)).toBe('2026-002');
    expect(listLog(at.db).entries[0]).toMatchObject({ serial: '2026-001', note: 'firm', piece: { name: 'A' } });
  });
});
