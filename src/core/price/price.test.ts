import { describe, expect, it } from 'vitest';
import { needsOf } from '../buying';
import { figuresFor, readerOf } from '../house';
import { layGroups } from '../nesting';
import { KINDS, newPiece, type Piece } from '../piece';
import { planPiece } from '../plan';
import { shelf, type KeptWare } from '../store';
import { priceOf, thingsOf } from '.';
import { thisWeek } from '../../testing/runs';
import { QUICK } from '../../testing/quick';

const rule = (item: Record<string, number> = {}) => readerOf(figuresFor(item, {}));
const planned = (piece: Piece) => [{ id: 'p', piece, plan: planPiece(piece, {}, QUICK) }];
const things = (piece: Piece, wares: readonly KeptWare[] = shelf()) => {
  const entries = planned(piece);
  const groups = layGroups(entries, {});
  return thingsOf(needsOf(entries, groups, {}), groups, wares);
};
/** A cloth of the shelf, so that it has a price. */
const named = (piece: Piece): Piece => ({ ...piece, cloth: { ...piece.cloth, name: shelf().find(({ kind }) => kind === 'cloth')!.name } });

describe('what work comes to', () => {
  it('is materials less leftovers, consumables, time and margin, to the cent', () => {
    const { lines, total } = priceOf(
      [
        { name: 'Foam', cost: 80, left: 20 },
        { name: 'Cloth', cost: 120, left: 0 },
      ],
      [
        { id: 'a', name: 'Seats', count: 4, minutes: 60 },
        { id: 'b', name: 'Bench', count: 1, minutes: 90 },
      ],
      rule({ hourPrice: 40, consumables: 5, leftCredit: 50, margin: 10 }),
    );
    // 200 of materials, 10 of them left again; 5 % of 190; five hours and a half; a tenth of all that.
    expect(lines.map(({ amount }) => amount)).toEqual([200, -10, 9.5, 220, 41.95]);
    expect(total).toBe(461.45);
    expect(lines.find(({ key }) => key === 'time')!.note).toContain('5 h 30 min');
    expect(lines.reduce((sum, { amount }) => sum + amount, 0)).toBeCloseTo(total, 2);
  });

  it('every kind has its materials priced off the shelf, and all of them are more than nothing', () => {
    for (const { id } of thisWeek(KINDS, 3)) {
      const { things: found, unpriced } = things(named(newPiece(id)));
      expect(unpriced, id).toEqual([]);
      expect(found.length, id).toBeGreaterThan(2);
      for (const { name, cost, left } of found) {
        expect(cost, `${id} ${name}`).toBeGreaterThan(0);
        expect(left, `${id} ${name}`).toBeLessThan(cost);
      }
    }
  });

  it('a chair seat’s foam is its sheet, half of it left; what has no price is said and not left out in silence', () => {
    const piece = named({ ...newPiece('chair-seat'), count: 1 });
    const { things: found } = things(piece);
    const sheets = found.filter(({ name }) => name.startsWith('Seating'));
    expect(sheets).toHaveLength(2);
    // One seat of 450 by 420 takes a fifth of a sheet of 1000 by 2000: more than half of what it cost is there afterwards.
    for (const { left, cost } of sheets) expect(left / cost).toBeGreaterThan(0.5);
    const bare = shelf().map((ware) => (ware.kind === 'cloth' ? { ...ware, price: 0 } : ware));
    expect(things(piece, bare).unpriced).toEqual([piece.cloth.name]);
    expect(priceOf([], [], rule(), ['Cloth']).unpriced).toEqual(['Cloth']);
  });

  it('a set of eight costs less than eight single ones, and more than four', () => {
    const cost = (count: number): number =>
      things(named({ ...newPiece('chair-seat'), count })).things.reduce((sum, pricedThing) => sum + pricedThing.cost, 0);
    const [one, four, eight] = [cost(1), cost(4), cost(8)] as [number, number, number];
    expect(eight).toBeLessThan(8 * one);
    expect(eight).toBeGreaterThan(four);
  });
});
