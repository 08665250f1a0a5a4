import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newChairSeat } from '@/core/piece';
import { sheetView, type SheetView } from '@/core/plan';
import { sharedPlanner } from '../../../testing/quick';
import { keepSeen } from './seen';
import { createSheetStore, type SheetStore } from '../store';

const piece = newChairSeat();
let store: SheetStore;

beforeEach(() => {
  vi.useFakeTimers();
  store = createSheetStore(
    {
      record: { id: 'p', revision: 1, updatedAt: '', canUndo: false, canRedo: false, piece },
      stale: null,
      house: { grip: 40 },
      ticks: [],
      nextSerial: '',
      stage: 'padding',
    },
    {
      send: () => new Promise(() => undefined),
      storage: { getItem: () => null, setItem: () => undefined, removeItem: () => undefined },
      wait: () => Promise.resolve(),
      newId: () => 'save-1',
    },
  );
});
afterEach(() => vi.useRealTimers());

function viewOf(parts: Parameters<typeof sheetView>[0]['parts'], preview = false): SheetView {
  const found = sheetView({ piece, house: { grip: 40 }, parts, preview }, sharedPlanner);
  if ('problems' in found) throw new Error(found.problems[0]!.message);
  return found.view;
}

describe('the figures that a sheet shows', () => {
  it('go to the server once they are settled, saved and stand for a moment; each plan once', async () => {
    const send = vi.fn(() => Promise.resolve({ ok: true, status: 200, data: {} as never }));
    const stop = keepSeen(store, send);
    store.setState({ view: viewOf([], true), settled: true });
    store.setState({ view: viewOf([]), settled: false });
    await vi.advanceTimersByTimeAsync(2000);
    expect(send).not.toHaveBeenCalled();
    store.setState({ settled: true, status: 'saving' });
    await vi.advanceTimersByTimeAsync(2000);
    expect(send).not.toHaveBeenCalled();
    store.setState({ status: 'saved' });
    await vi.advanceTimersByTimeAsync(2000);
    expect(send).toHaveBeenCalledTimes(1);
    store.setState({ drawer: true });
    await vi.advanceTimersByTimeAsync(2000);
    expect(send).toHaveBeenCalledTimes(1);
    store.setState({ view: viewOf(['cover']) });
    await vi.advanceTimersByTimeAsync(2000);
    expect(send).toHaveBeenCalledTimes(2);
    expect(send).toHaveBeenLastCalledWith('PUT', '/api/pieces/p/seen', {
      piece,
      house: { grip: 40 },
      fingerprint: expect.objectContaining({ cover: expect.any(Object) as object, foam: expect.any(Object) as object }) as object,
    });
    stop();
    store.setState({ view: viewOf(['cover', 'cut']) });
    await vi.advanceTimersByTimeAsync(2000);
    expect(send).toHaveBeenCalledTimes(2);
  });
});
