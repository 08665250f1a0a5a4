import { describe, expect, it } from 'vitest';
import { newChairSeat, type Piece } from '@/core/piece';
import { at, withAt } from './drawn/path';
import { createSheetStore, wrongWith, type SheetStore } from './store';

const piece = newChairSeat();

function sheet(start: Piece = piece): { store: SheetStore; sent: Piece[] } {
  const sent: Piece[] = [];
  const record = { id: 'p', revision: 1, updatedAt: '', canUndo: false, canRedo: false, piece: start };
  const store = createSheetStore(
    { record, stale: null, house: {}, ticks: [], nextSerial: '2026-001', stage: 'board' },
    {
      send: (_method, _url, body) => {
        sent.push((body as { piece: Piece }).piece);
        return Promise.resolve({ ok: true, status: 200, data: { ...record, revision: sent.length + 1 } });
      },
      storage: { getItem: () => null, setItem: () => undefined, removeItem: () => undefined },
      wait: () => Promise.resolve(),
      newId: () => 'save-1',
    },
  );
  return { store, sent };
}

describe('a place in a document', () => {
  const document = { a: { list: [{ x: 1 }, { x: 2 }], other: { kept: true } }, b: 3 };

  it('is read and changed, and what is not on the way stays the very same', () => {
    expect(at(document, 'a.list.1.x')).toBe(2);
    expect(at(document, 'a.nothing.here')).toBeUndefined();
    const next = withAt(document, 'a.list.1.x', 7);
    expect(next).toEqual({ a: { list: [{ x: 1 }, { x: 7 }], other: { kept: true } }, b: 3 });
    expect(next.a.other).toBe(document.a.other);
    expect(next.a.list[0]).toBe(document.a.list[0]);
    expect(document.a.list[1]!.x).toBe(2);
  });

  it('is taken out with nothing, of a list and of a record, and made where it was not', () => {
    expect(withAt(document, 'a.list.0', undefined).a.list).toEqual([{ x: 2 }]);
    expect(withAt(document, 'b', undefined)).not.toHaveProperty('b');
    expect(withAt({ a: null } as Record<string, unknown>, 'c.d', 1)).toEqual({ a: null, c: { d: 1 } });
  });
});

describe('the sheet’s store', () => {
  it('takes a change that can be, and says what is wrong with one that cannot', async () => {
    const { store, sent } = sheet();
    const { put, apply } = store.getState();
    expect(put('base.board.thickness', 18)).toBeNull();
    expect(store.getState()).toMatchObject({ lastField: 'base.board.thickness', piece: { base: { board: { thickness: 18 } } } });
    expect(put('base.board.thickness', 0)).toContain('Board thickness cannot be 0');
    expect(put('pads.0.thickness', 4000)).toContain('is too much');
    expect(apply({ ...piece, count: 0 })).toContain('1 minimum');
    expect(store.getState().piece.base.board.thickness).toBe(18);
    await Promise.resolve();
    expect(sent).toHaveLength(1);
  });

  it('says what is wrong with the field itself before anything else', () => {
    const { store } = sheet({ ...piece, count: 2 });
    const wrong = { ...store.getState().piece, count: 0, name: '' };
    expect(wrongWith(wrong, {}, 'name')).toContain('Name');
    expect(wrongWith(wrong, {}, 'count')).toContain('Quantity');
    expect(wrongWith(piece, {})).toBeNull();
    // The house’s rules count: a piece that only they make impossible is refused too.
    expect(wrongWith(piece, { crownInset: 300 })).not.toBeNull();
  });

  it('sets a house rule for this piece alone, within its range, and takes it back', () => {
    const { store } = sheet();
    const { override } = store.getState();
    expect(override('grip', 41)).toBeNull();
    expect(store.getState().piece.overrides).toEqual({ grip: 41 });
    expect(override('grip', 9999)).toContain('too much');
    expect(override('nothing', 1)).toContain('no house rule');
    expect(override('grip', null)).toBeNull();
    expect(store.getState().piece.overrides).toEqual({});
  });

  it('follows a drag only where it can be, and goes back to what was saved when it ends badly', async () => {
    const { store, sent } = sheet();
    const { follow } = store.getState();
    const thick = (thickness: number): Piece => withAt(piece, 'pads.1.thickness', thickness);
    follow(thick(60), true);
    expect(store.getState().piece.pads[1]!.thickness).toBe(60);
    follow(thick(900), true);
    expect(store.getState()).toMatchObject({ dragMessage: expect.stringContaining('too much') });
    expect(store.getState().piece.pads[1]!.thickness).toBe(60);
    follow(thick(70), false);
    expect(store.getState().dragMessage).toBeNull();
    await Promise.resolve();
    expect(sent.map((item) => item.pads[1]!.thickness)).toEqual([70]);
  });
});
