import { describe, expect, it } from 'vitest';
import { roll, shapesOf, taperedSeat } from '../../testing/tapered';
import type { Polygon } from '../outline';
import { isBetter, leftover, snapped, turnedOn, withPlace, type Lay, type LayPlace } from '.';

const square: Polygon = [
  [0, 0],
  [300, 0],
  [300, 200],
  [0, 200],
];
const [one, two] = shapesOf(2, () => square, [0, 90]);
const place = (key: string, x: number, y: number, turn: LayPlace['turn'] = 0): LayPlace => ({ key, bin: 0, x, y, turn });
const lay = (places: LayPlace[]): Lay => ({ bins: [roll()], places, left: [], used: [0] });

describe('pieces moved by hand', () => {
  it('come against the selvedge and each other, the gap between them, and stay where nothing is near', () => {
    const among = { bin: roll(), others: [{ shape: two!, place: place('s1', 310, 0) }], gap: 10, repeat: null };
    expect(snapped(one!, place('s0', 5, 3), among)).toMatchObject({ x: 0, y: 0 });
    expect(snapped(one!, place('s0', 617, 4), among)).toMatchObject({ x: 620, y: 0 });
    expect(snapped(one!, place('s0', 308, 214), among)).toMatchObject({ x: 310, y: 210 });
    expect(snapped(one!, place('s0', 1095, 500), among)).toMatchObject({ x: 1100, y: 500 });
    expect(snapped(one!, place('s0', 800, 500), among)).toMatchObject({ x: 800, y: 500 });
  });

  it('fall on the repeat wherever they are let go', () => {
    const item = { ...one!, motif: [150, 100] as const };
    const among = { bin: roll(), others: [], gap: 10, repeat: { across: 84, along: 60, between: false } };
    for (const [x, y] of [
      [13, 47],
      [401, 333],
    ] as const) {
      const at = snapped(item, place('s0', x, y), among);
      expect(Math.round(at.x + 150) % 84).toBe(0);
      expect(Math.round(at.y + 100) % 60).toBe(0);
      expect(Math.abs(at.x - x)).toBeLessThanOrEqual(42);
    }
  });

  it('turn about their own middle, and four quarters are none', () => {
    const seat = shapesOf(1, () => taperedSeat(460, 400, 430), [0, 90, 180, 270])[0]!;
    const first = place('s0', 200, 300);
    const turned = turnedOn(seat, first);
    expect(turned).toMatchObject({ turn: 90, x: 215, y: 285 });
    expect([1, 2, 3].reduce((now) => turnedOn(seat, now), turned)).toEqual(first);
  });

  it('what a lay takes is measured anew', () => {
    const before = lay([place('s0', 0, 0), place('s1', 310, 0)]);
    expect(withPlace(before, [one!, two!], place('s1', 310, 400)).used).toEqual([600]);
    expect(isBetter({ ...before, used: [200] }, { ...before, used: [600] })).toBe(true);
    expect(isBetter({ ...before, used: [100], left: ['s1'] }, { ...before, used: [600] })).toBe(false);
  });
});

describe('what is left over', () => {
  const bin = { ...roll(), stock: 's', length: 2000, flaws: [{ x: 10, y: 1500, width: 20, height: 30 }] };
  it('of a roll is a part roll with the flaws beyond the cut, of a sheet an offcut, of a scrap nothing', () => {
    expect(leftover(bin, 1200, true)).toEqual({
      ware: 'w',
      form: 'part',
      count: 1,
      width: 1400,
      length: 800,
      flaws: [{ x: 10, y: 300, width: 20, height: 30 }],
    });
    expect(leftover(bin, 1600, false)).toEqual({ ware: 'w', form: 'offcut', count: 1, width: 1400, length: 400 });
    expect(leftover(bin, 1900, true)).toBeNull();
    expect(leftover({ ...bin, length: null }, 900, true)).toBeNull();
    expect(leftover({ ...bin, outline: square }, 100, false)).toBeNull();
  });
});
