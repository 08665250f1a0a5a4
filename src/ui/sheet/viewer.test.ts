import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newChairSeat, type Piece } from '@/core/piece';
import type { ViewQuestion } from '@/core/plan';
import { NotAnswered } from '@/ui/kit/worker/worker-client';
import type { JobClient } from '@/ui/kit/worker/workers';
import { STAGES } from '@/ui/stages';
import { createSheetStore, type SheetStore } from './store';
import { keepSat, keepViewed } from './viewer';

type Open = { kind: string; question: ViewQuestion; resolve: (answer: unknown) => void; reject: (error: unknown) => void };

/** A worker's client whose questions the test answers. */
function puppet() {
  const open: Open[] = [];
  let given = 0;
  const client = {
    ask: (kind: string, question: ViewQuestion) => new Promise((resolve, reject) => open.push({ kind, question, resolve, reject })),
    giveUp: () => {
      given += 1;
      open.splice(0).forEach(({ reject }) => reject(new NotAnswered('given-up', 'Given up')));
    },
    close: () => undefined,
  } as unknown as JobClient;
  return { client, open, given: () => given };
}

const piece = newChairSeat();
let store: SheetStore;
let now = 0;

beforeEach(() => {
  vi.useFakeTimers();
  now = 1000;
  const record = { id: 'p', revision: 1, updatedAt: '', canUndo: false, canRedo: false, piece };
  store = createSheetStore(
    { record, stale: null, house: {}, ticks: [], nextSerial: '', stage: 'padding' },
    {
      send: () => new Promise(() => undefined),
      storage: { getItem: () => null, setItem: () => undefined, removeItem: () => undefined },
      wait: () => Promise.resolve(),
      newId: () => 'save-1',
    },
  );
});
afterEach(() => vi.useRealTimers());

const tick = () => vi.advanceTimersByTimeAsync(0);
const change = (next: Partial<Piece>): string | null => store.getState().apply({ ...store.getState().piece, ...next });
const drawn = { outline: { points: [] }, room: { covered: { width: 0, depth: 0 }, opening: null } };
const view = (preview = false, converged = true) => ({
  view: { preview, plan: { warnings: [], surface: { converged }, ...drawn }, sizes: [], findings: [] },
});

describe('a sheet that is kept in view', () => {
  it('asks for what its stage shows, one question at a time, and drops all but the newest', async () => {
    const { client, open } = puppet();
    const stop = keepViewed(store, client, STAGES, () => now);
    expect(open).toHaveLength(1);
    expect(open[0]!.question).toMatchObject({ parts: [], preview: false });
    for (const name of ['B', 'C', 'D']) {
      now += 500;
      change({ name });
    }
    expect(open).toHaveLength(1);
    open[0]!.resolve(view());
    await tick();
    expect(open).toHaveLength(2);
    expect(open[1]!.question.piece.name).toBe('D');
    expect(store.getState()).toMatchObject({ settled: false });
    open[1]!.resolve(view());
    await tick();
    expect(store.getState()).toMatchObject({ settled: true, problems: [] });
    store.setState({ stage: 'cut' });
    expect(open[2]!.question.parts).toEqual(['cover', 'cut', 'fixing']);
    open[2]!.resolve(view());
    await tick();
    store.setState({ unfolded: ['Fastening'] });
    expect(open[3]!.question.parts).toEqual(['cover', 'cut', 'fixing']);
    stop();
    change({ name: 'E' });
    expect(open).toHaveLength(4);
  });

  it('works out the rest once the hand rests, for the answer line; a change before that drops it', async () => {
    const { client, open } = puppet();
    keepViewed(store, client, STAGES, () => now);
    open[0]!.resolve(view());
    await tick();
    expect([open.length, store.getState().answer]).toEqual([1, null]);
    now += 500;
    change({ name: 'B' });
    open[1]!.resolve(view());
    await vi.advanceTimersByTimeAsync(400);
    expect(open).toHaveLength(3);
    expect(open[2]!.question).toMatchObject({ parts: ['cover', 'cut', 'fixing', 'run'], preview: false, piece: { name: 'B' } });
    // What is typed meanwhile waits for it, and makes its answer one of before.
    now += 500;
    change({ name: 'C' });
    expect(open).toHaveLength(3);
    open[2]!.resolve(view());
    await tick();
    expect(store.getState().answer).toBeNull();
    expect(open[3]!.question.piece.name).toBe('C');
    open[3]!.resolve(view());
    await vi.advanceTimersByTimeAsync(400);
    open[4]!.resolve(view());
    await tick();
    expect(store.getState().answer).toMatchObject({ of: { name: 'C' }, settled: true });
    // Another stage of the same piece asks for nothing more.
    store.setState({ stage: 'cover' });
    open[5]!.resolve(view());
    await vi.advanceTimersByTimeAsync(400);
    expect(open).toHaveLength(6);
    // What did not come to rest is no answer to cut by.
    now += 500;
    change({ name: 'D' });
    open[6]!.resolve(view(false, false));
    await vi.advanceTimersByTimeAsync(400);
    open[7]!.resolve(view(false, false));
    await tick();
    expect(store.getState().answer).toMatchObject({ of: { name: 'D' }, settled: false });
  });

  it('takes a quick look while something is dragged, and settles when the hand rests', async () => {
    const { client, open } = puppet();
    keepViewed(store, client, STAGES, () => now);
    open[0]!.resolve(view());
    await tick();
    change({ name: 'first' });
    open[1]!.resolve(view());
    await tick();
    now += 20;
    change({ name: 'second' });
    expect(open[2]!.question.preview).toBe(true);
    open[2]!.resolve(view(true));
    await tick();
    expect(store.getState()).toMatchObject({ settled: false, view: { preview: true } });
    await vi.advanceTimersByTimeAsync(200);
    expect(open[3]!.question).toMatchObject({ preview: false, piece: { name: 'second' } });
    open[3]!.resolve(view());
    await tick();
    expect(store.getState().settled).toBe(true);
  });

  it('keeps what it shows when a change cannot be planned, and says why', async () => {
    const { client, open } = puppet();
    keepViewed(store, client, STAGES, () => now);
    open[0]!.resolve(view());
    await tick();
    change({ name: 'odd' });
    open[1]!.resolve({ problems: [{ path: 'pads', message: 'This cannot be built' }] });
    await tick();
    expect(store.getState()).toMatchObject({ problems: [{ message: 'This cannot be built' }], settled: true });
    expect(store.getState().view).not.toBeNull();
  });

  it('a question that takes too long is said beside the field that was changed last, and the next is answered', async () => {
    const { client, open } = puppet();
    keepViewed(store, client, STAGES, () => now);
    expect(store.getState().put('base.board.thickness', 13)).toBeNull();
    open[0]!.reject(new NotAnswered('too-long', 'This takes too long'));
    await tick();
    expect(store.getState().stuck).toEqual({ message: 'This takes too long', at: 'base.board.thickness' });
    open[1]!.resolve(view());
    await tick();
    expect(store.getState()).toMatchObject({ stuck: null, settled: true });
  });
});

describe('a piece that is sat on', () => {
  it('only while that is looked at, and once for every change', async () => {
    const { client, open } = puppet();
    store.setState({ stage: 'board' });
    const stop = keepSat(store, client, STAGES);
    store.setState({ settled: true });
    await vi.advanceTimersByTimeAsync(300);
    expect(open).toHaveLength(0);
    store.setState({ stage: 'padding' });
    await vi.advanceTimersByTimeAsync(300);
    expect(open).toHaveLength(1);
    expect(store.getState().sit.running).toBe(true);
    open[0]!.resolve({ view: { sit: 'well' } });
    await tick();
    expect(store.getState().sit).toMatchObject({ running: false, view: { sit: 'well' } });
    store.setState({ settled: true, pointed: 3 });
    await vi.advanceTimersByTimeAsync(300);
    expect(open).toHaveLength(1);
    stop();
  });

  it('the newest change gives up the sitting that is under way; what goes wrong is said', async () => {
    const { client, open, given } = puppet();
    keepSat(store, client, STAGES);
    store.setState({ settled: true, stage: 'padding' });
    await vi.advanceTimersByTimeAsync(300);
    change({ name: 'heavier' });
    store.setState({ settled: true });
    await vi.advanceTimersByTimeAsync(300);
    expect(given()).toBe(1);
    expect(open).toHaveLength(1);
    open[0]!.reject(new NotAnswered('broken', 'It could not be worked out'));
    await tick();
    expect(store.getState().sit).toMatchObject({ running: false, wrong: 'It could not be worked out' });
  });
});
