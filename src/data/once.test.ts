import { describe, expect, it } from 'vitest';
import type { Purchase } from '../core/buying';
import { newChairSeat } from '../core/piece';
import { eachInItsOwn } from '../testing/workshop';
import { listTimers, startTimer, type Timer } from './diary';
import { createPiece } from './pieces';
import { beginPurchase, receivePurchase, settlePurchase } from './purchases';
import { keepWare, listStock, listWares } from './store';
import { knownPrice } from '../core/store';

const at = eachInItsOwn();

describe('an order', () => {
  const order = (arrived = 0): Purchase => ({
    lines: [{ ware: listWares(at.db)[0]!.id, name: 'Foam', units: 4, price: 10, arrived }],
    carriage: 0,
    reference: '',
    expected: '',
    says: '',
  });
  const inStore = (): number => listStock(at.db).reduce((sum, { count }) => sum + count, 0);

  it('only goes forward: the late failure of an earlier attempt does not undo what was taken and has come', () => {
    const { id } = beginPurchase(at.db, 'floor', 'The foam loft', order());
    // Sent, silent; sent again, taken; four came. Then the first attempt’s time is up.
    settlePurchase(at.db, id, 'ordered', { ...order(), reference: 'R-1' });
    expect(receivePurchase(at.db, id, [4], 'delivery-00000001')).toMatchObject({ state: 'arrived' });
    expect(settlePurchase(at.db, id, 'sending', { ...order(), says: 'Ask again' })).toMatchObject({ state: 'arrived' });
    expect(settlePurchase(at.db, id, 'refused', order())).toMatchObject({ state: 'arrived' });
    expect(settlePurchase(at.db, id, 'ordered', order())).toMatchObject({ state: 'arrived', order: { reference: 'R-1' } });
    expect(inStore()).toBe(4);
  });

  it('a delivery that is booked in twice is counted once', () => {
    const { id } = beginPurchase(at.db, 'floor', 'The foam loft', order());
    settlePurchase(at.db, id, 'ordered', order());
    const once = receivePurchase(at.db, id, [1], 'delivery-00000002');
    expect(receivePurchase(at.db, id, [1], 'delivery-00000002')).toEqual(once);
    expect(inStore()).toBe(1);
    // Another delivery of as many is another one.
    expect(receivePurchase(at.db, id, [1], 'delivery-00000003')).toMatchObject({ order: { lines: [{ arrived: 2 }] } });
    expect(inStore()).toBe(2);
  });
});

describe('a clock that is sent twice', () => {
  it('does not stop the one that was started after it', () => {
    const { id } = createPiece(at.db, newChairSeat());
    const clock = (name: string): Timer => ({
      id: `clock-${name}`,
      pieceId: id,
      unit: 1,
      step: 'glue',
      name,
      startedAt: '2026-12-01T08:00:00.000Z',
      readyAt: '2026-12-01T08:10:00.000Z',
      untilAt: null,
    });
    startTimer(at.db, clock('x'));
    startTimer(at.db, clock('y'));
    startTimer(at.db, clock('x'));
    expect(listTimers(at.db).map(({ name }) => name)).toEqual(['y']);
  });
});

describe('a price that ships', () => {
  it('is no price of the workshop until another one is typed or comes in by a table', () => {
    const { id, ...ware } = listWares(at.db)[0]!;
    expect(listWares(at.db).every((item) => knownPrice(item) === null && item.supplier === '')).toBe(true);
    expect(knownPrice(keepWare(at.db, { ...ware, supplier: 'Ours' }, id))).toBeNull();
    expect(knownPrice(keepWare(at.db, { ...ware, price: ware.price + 1 }, id))).toBe(ware.price + 1);
  });
});
