import { describe, expect, it } from 'vitest';
import { newChairSeat, type Piece } from '@/core/piece';
import type { PieceRecord, StaleSave } from '@/data/pieces';
import { createSaver, savingOf, type Saver, type SaverMeans, type Saving } from './saver';

const piece = newChairSeat();
const named = (name: string): Piece => ({ ...piece, name });
const record = (name: string, revision = 1): PieceRecord => ({
  id: 'p1',
  revision,
  updatedAt: '',
  canUndo: revision > 1,
  canRedo: false,
  piece: named(name),
});

type Reply = { status: number; data: Record<string, unknown> } | Error;

/** A saver with a workshop that answers as it is told, and a browser that remembers. */
function bench(replies: (Reply | Promise<Reply>)[], stored: Record<string, string> = {}, stale: StaleSave | null = null) {
  const sent: { method: string; url: string; body: Record<string, unknown> }[] = [];
  const state: Saving = savingOf(record('A'), stale);
  const waits: number[] = [];
  let ids = 0;
  const means: SaverMeans = {
    send: (method, url, body) => {
      sent.push({ method, url, body: body as Record<string, unknown> });
      const reply = replies.shift() ?? { status: 404, data: {} };
      return Promise.resolve(reply).then((given) => {
        if (given instanceof Error) throw given;
        return { ok: given.status < 300, status: given.status, data: given.data as never };
      });
    },
    storage: {
      getItem: (key) => stored[key] ?? null,
      setItem: (key, value) => void (stored[key] = value),
      removeItem: (key) => void delete stored[key],
    },
    wait: (ms) => {
      waits.push(ms);
      return Promise.resolve();
    },
    newId: () => `save-${++ids}`,
    onChange: (change) => Object.assign(state, change),
  };
  const saver: Saver = createSaver(record('A'), stale, means);
  return { saver, state, sent, stored, waits, rest: () => new Promise((resolve) => setTimeout(resolve, 5)) };
}

const saved = (name: string, revision: number): Reply => ({ status: 200, data: record(name, revision) as never });
const KEY = 'unsaved p1';

describe('a piece that saves itself', () => {
  it('saves every finished change as one revision, in order, and a drag only when it ends', async () => {
    const { saver, state, sent, stored, rest } = bench([saved('B', 2), saved('D', 3)]);
    saver.change(named('B'));
    saver.change(named('C'), { live: true });
    expect(state.piece.name).toBe('C');
    saver.change(named('D'));
    await rest();
    expect(sent.map(({ body }) => [(body.piece as Piece).name, body.base])).toEqual([
      ['B', 1],
      ['D', 2],
    ]);
    expect(state).toMatchObject({ status: 'saved', canUndo: true, message: null });
    expect(stored).toEqual({});
    expect(saver.latest().name).toBe('D');
  });

  it('out of reach it is kept in the browser and tried again until it is saved', async () => {
    const { saver, state, stored, waits, rest } = bench([new Error('no line'), new Error('no line'), saved('B', 2)]);
    saver.change(named('B'));
    await Promise.resolve();
    expect(JSON.parse(stored[KEY]!)).toMatchObject({ base: 1, piece: { name: 'B' } });
    await rest();
    expect(waits).toHaveLength(2);
    expect(state.status).toBe('saved');
    expect(stored).toEqual({});
  });

  it('what the workshop fails at is tried again under the same id; only what it refuses is not', async () => {
    const { saver, state, sent, waits, rest } = bench([
      { status: 500, data: { message: 'stumbled' } },
      { status: 507, data: {} },
      // Signed out meanwhile, and too many at once.
      { status: 401, data: { message: 'Sign in' } },
      { status: 429, data: {} },
      saved('B', 2),
    ]);
    saver.change(named('B'));
    await rest();
    expect(sent.map(({ body }) => body.save)).toEqual(Array(5).fill('save-1'));
    expect(waits).toHaveLength(4);
    expect(state).toMatchObject({ status: 'saved', message: null });
  });

  it('a page closed before an answer sends the same save again, and says after which its later one came', async () => {
    const never = bench([new Error('no line')]);
    never.saver.change(named('B'));
    await Promise.resolve();
    const [one] = Object.values(never.stored);
    expect(JSON.parse(one!)).toMatchObject({ base: 1, saveId: 'save-1' });
    const stored = { [KEY]: JSON.stringify({ base: 1, piece: named('C'), saveId: 'second', after: 'first' }) };
    const { saver, sent, rest } = bench([saved('C', 3)], stored);
    saver.resume();
    await rest();
    expect(sent[0]!.body).toMatchObject({ base: 1, save: 'second', after: 'first', piece: { name: 'C' } });
  });

  it('a page that was closed before its last change was saved picks it up again', async () => {
    const stored = { [KEY]: JSON.stringify({ base: 1, piece: named('Unsaved') }) };
    const { saver, state, sent, rest } = bench([saved('Unsaved', 2)], stored);
    saver.resume();
    await rest();
    expect(sent[0]!.body).toMatchObject({ base: 1, piece: { name: 'Unsaved' } });
    expect(state.status).toBe('saved');
    // What is the very same as what is there, or no longer readable, is not sent.
    for (const text of [JSON.stringify({ base: 1, piece: named('A') }), 'not JSON']) {
      const again = bench([], { [KEY]: text });
      again.saver.resume();
      await again.rest();
      expect(again.sent).toEqual([]);
    }
  });

  it('what the workshop refuses stays on the screen and is not sent again at every opening', async () => {
    const { saver, state, stored, rest } = bench([{ status: 422, data: { message: 'Nail pitch cannot be 0' } }]);
    saver.change(named('Refused'));
    await rest();
    expect(state).toMatchObject({ status: 'refused', message: 'Nail pitch cannot be 0', piece: { name: 'Refused' } });
    // Opened again: the piece stands as it was saved, and the change is offered.
    const again = bench([saved('Refused', 2)], { ...stored });
    again.saver.resume();
    await again.rest();
    expect(again.sent).toEqual([]);
    expect(again.state).toMatchObject({ piece: { name: 'A' }, refused: { name: 'Refused' } });
    again.saver.refused('take-up');
    await again.rest();
    expect(again.sent).toHaveLength(1);
    expect(again.state).toMatchObject({ refused: null, status: 'saved', piece: { name: 'Refused' } });
    // Or it is left, and then it is gone for good.
    const left = bench([], { ...stored });
    left.saver.resume();
    left.saver.refused('forget');
    await left.rest();
    expect([left.sent, left.stored, left.state.piece.name]).toEqual([[], {}, 'A']);
  });

  it('a change after a refused one is saved', async () => {
    const { saver, state, sent, rest } = bench([{ status: 422, data: { message: 'no' } }, saved('Better', 2)]);
    saver.change(named('Refused'));
    saver.change(named('Better'));
    await rest();
    expect(sent).toHaveLength(2);
    expect(state).toMatchObject({ status: 'saved', message: null });
  });
});

describe('two versions of one piece', () => {
  const conflict: Reply = { status: 409, data: { current: record('Theirs', 7), keptAs: 3 } };

  it('wait for a choice: theirs stands', async () => {
    const { saver, state, sent, rest } = bench([conflict, { status: 200, data: {} }]);
    saver.change(named('Mine'));
    await rest();
    expect(state).toMatchObject({ status: 'conflict', conflict: { mine: { name: 'Mine' }, keptAs: 3 } });
    await saver.settle('theirs');
    expect(state).toMatchObject({ status: 'saved', conflict: null, piece: { name: 'Theirs' } });
    expect(sent.at(-1)).toMatchObject({ method: 'DELETE', body: { stale: 3 } });
  });

  it('keep the newest of three edits that waited, not the first', async () => {
    const { saver, state, sent, stored, rest } = bench([conflict, { status: 200, data: {} }]);
    for (const name of ['Mine 1', 'Mine 2', 'Mine 3']) saver.change(named(name));
    await rest();
    expect(state.conflict!.mine.name).toBe('Mine 3');
    expect(sent.at(-1)).toMatchObject({ method: 'PUT', url: '/api/pieces/p1/stale', body: { stale: 3, piece: { name: 'Mine 3' } } });
    expect(stored).toEqual({});
    // Where even that does not arrive it stays in the browser.
    const off = bench([conflict, new Error('no line')]);
    for (const name of ['Mine 1', 'Mine 2']) off.saver.change(named(name));
    await off.rest();
    expect(JSON.parse(off.stored[KEY]!)).toMatchObject({ piece: { name: 'Mine 2' } });
  });

  it('or mine is saved over it, from the revision that is there', async () => {
    const { saver, state, sent, rest } = bench([conflict, saved('Mine', 8), { status: 200, data: {} }]);
    saver.change(named('Mine'));
    await rest();
    await saver.settle('mine');
    expect(sent[1]!.body).toMatchObject({ base: 7, piece: { name: 'Mine' } });
    expect(state).toMatchObject({ status: 'saved', conflict: null });
  });

  it('a choice made while the newest is still being put aside is saved after it', async () => {
    let arrive = (): void => undefined;
    const { saver, state, sent, rest } = bench([
      conflict,
      new Promise<Reply>((done) => (arrive = () => done({ status: 200, data: {} }))),
      saved('Mine 2', 8),
    ]);
    for (const name of ['Mine 1', 'Mine 2']) saver.change(named(name));
    await rest();
    expect(state.status).toBe('conflict');
    const settling = saver.settle('mine');
    arrive();
    await settling;
    expect(sent.map(({ method, url }) => `${method} ${url.split('/').at(-1)!}`)).toEqual(['PUT p1', 'PUT stale', 'PUT p1', 'DELETE stale']);
    expect(state).toMatchObject({ status: 'saved', conflict: null, piece: { name: 'Mine 2' } });
  });

  it('where a third came in while mine was saved, the new choice stands', async () => {
    const third: Reply = { status: 409, data: { current: record('Third', 9), keptAs: 4 } };
    const { saver, state, rest } = bench([conflict, third, { status: 200, data: {} }]);
    saver.change(named('Mine'));
    await rest();
    await saver.settle('mine');
    expect(state).toMatchObject({ status: 'conflict', conflict: { keptAs: 4, current: { piece: { name: 'Third' } } } });
  });

  it('a save that came too late waits for its choice when the page is opened', async () => {
    const stale: StaleSave = { id: 5, baseRevision: 1, savedAt: '', piece: named('Late') };
    const { saver, state } = bench([saved('Late', 2), { status: 200, data: {} }], {}, stale);
    expect(state).toMatchObject({ status: 'conflict', conflict: { mine: { name: 'Late' }, keptAs: 5 } });
    await saver.settle('mine');
    expect(state.conflict).toBeNull();
    await saver.settle('mine');
  });
});

describe('undo and redo', () => {
  it('wait for what is not saved yet, and take over what comes back', async () => {
    const { saver, state, sent } = bench([
      saved('B', 2),
      saved('A', 3),
      { status: 409, data: { current: record('Else', 9), message: 'changed' } },
    ]);
    saver.change(named('B'));
    await saver.step('undo');
    expect(sent.map(({ method }) => method)).toEqual(['PUT', 'POST']);
    expect(sent[1]!.body).toEqual({ direction: 'undo', base: 2 });
    expect(state.piece.name).toBe('A');
    await saver.step('redo');
    expect(state).toMatchObject({ piece: { name: 'Else' }, message: 'changed' });
    const offline = bench([new Error('no line')]);
    await offline.saver.step('undo');
    expect(offline.state.message).toContain('cannot be reached');
  });
});
