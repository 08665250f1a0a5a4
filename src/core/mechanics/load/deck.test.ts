import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { carried, netOver, sagOf, tensionFor, type DeckNet } from './deck';

/** A rectangular opening of so many free nodes, the rail one node round it. */
function opening(columns: number, rows: number, step: number, deckNet: Partial<DeckNet> = {}): DeckNet {
  const [c, r] = [columns + 2, rows + 2];
  const free = new Uint8Array(c * r);
  for (let j = 1; j <= rows; j++) for (let i = 1; i <= columns; i++) free[j * c + i] = 1;
  return { x0: 0, y0: 0, step, columns: c, rows: r, free, tension: 2, across: 1, stretch: 1e9, ...deckNet };
}

const even = (net: DeckNet, p: number): Float64Array => Float64Array.from(net.free, (f) => (f ? p : 0));
const most = (values: Float64Array): number => Math.max(...values);

describe('webbing and springs', () => {
  it('a strap under an even load hangs as a string does: w = p·L² ÷ 8T', () => {
    // Nothing pulls across: every column is a string of its own.
    const net = opening(3, 39, 10, { across: 0 });
    const [p, L] = [1e-4, 400];
    const down = sagOf(net, even(net, p));
    expect(most(down)).toBeCloseTo((p * L * L) / (8 * net.tension), 6);
    // The parabola at a quarter of the way: three quarters of the middle's.
    expect(down[10 * net.columns + 2]! / most(down)).toBeCloseTo(0.75, 6);
  });

  it('a square net pulled alike both ways hangs as a membrane: w = 0.07367·p·a² ÷ T', () => {
    const net = opening(49, 49, 10);
    const [p, a] = [1e-4, 500];
    expect(most(sagOf(net, even(net, p))) / ((0.07367 * p * a * a) / net.tension)).toBeCloseTo(1, 2);
  });

  it('grows tighter as it is drawn out: the middle of one strap is the root of its own cubic', () => {
    const stretch = 0.05;
    const net = opening(1, 199, 2, { across: 0, stretch, tension: 1 });
    const [p, L] = [0.004, 400];
    const found = most(sagOf(net, even(net, p)));
    // p·L² = 8·w·T, T = T₀·(1 + ε ÷ stretch), ε = 8/3·(w ÷ L)²: by halving, nothing of the solver in it.
    let [low, high] = [0, 400];
    while (high - low > 1e-9) {
      const w = (low + high) / 2;
      if (8 * w * (1 + ((8 / 3) * (w / L) ** 2) / stretch) > p * L * L) high = w;
      else low = w;
    }
    expect(found / low).toBeGreaterThan(0.985);
    expect(found / low).toBeLessThan(1.015);
    expect(found).toBeLessThan((p * L * L) / 8);
  });

  it('its rails carry all that lies on it', () => {
    const net = opening(31, 23, 12, { tension: 1.7, across: 0.6 });
    const load = Float64Array.from(net.free, (f, i) => (f ? 1e-4 * (1 + ((i * 7) % 13)) : 0));
    const down = sagOf(net, load);
    const { columns, rows, step, tension, across, free } = net;
    let rails = 0;
    for (let i = 0; i < free.length; i++) {
      if (!free[i]) continue;
      const [x, y] = [i % columns, Math.floor(i / columns)];
      // T·slope at a strap's end, over the step's width.
      if (x === 1 || x === columns - 2) rails += tension * across * down[i]!;
      if (y === 1 || y === rows - 2) rails += tension * down[i]!;
    }
    const whole = load.reduce((sum, p) => sum + p, 0) * step * step;
    expect(rails / whole).toBeCloseTo(1, 3);
  });

  it('comes out alike left and right, and the same on a grid half as coarse', () => {
    const [coarse, fine] = [opening(23, 19, 20, { stretch: 0.1 }), opening(47, 39, 10, { stretch: 0.1 })];
    const a = sagOf(coarse, even(coarse, 0.002));
    const b = sagOf(fine, even(fine, 0.002));
    expect(most(b) / most(a)).toBeCloseTo(1, 1);
    for (let j = 0; j < coarse.rows; j++)
      for (let i = 0; i < coarse.columns; i++)
        expect(a[j * coarse.columns + i]).toBeCloseTo(a[j * coarse.columns + coarse.columns - 1 - i]!, 3);
  });

  it('is as tight as the hand found it: the tension read from a reading gives the reading back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 70, noNaN: true }),
        fc.constantFrom(0.02, 0.07, 0.12),
        fc.constantFrom(1, 0.15),
        (give, stretch, across) => {
          const net = opening(23, 21, 20, { stretch, across });
          const tension = tensionFor(net, give, 196);
          // The hand's own round again, by itself: a hundred millimetres in the middle.
          const under = [...net.free.keys()].filter((i) => {
            const [x, y] = [i % net.columns, Math.floor(i / net.columns)];
            return net.free[i] && Math.hypot(x - 12, y - 11) * net.step <= 50;
          });
          const hand = new Float64Array(net.free.length);
          for (const i of under) hand[i] = 196 / (under.length * 400);
          expect(most(sagOf({ ...net, tension }, hand)) / give).toBeCloseTo(1, 1);
          expect(most(sagOf({ ...net, tension: 1.2 * tension }, hand))).toBeLessThan(give);
        },
      ),
      { numRuns: 12, seed: 5 },
    );
  });

  it('lies on the nodes of another grid and reaches round the whole opening', () => {
    const inner: [number, number][] = [
      [-203, -177],
      [203, -177],
      [180, 190],
      [-180, 190],
    ];
    const grid = { x0: -96, y0: -90, step: 12, columns: 17, rows: 16 };
    const net = netOver(inner, grid, { tension: 1, across: 1, stretch: 0.1 });
    expect((net.x0 - grid.x0) / grid.step).toBeCloseTo(Math.round((net.x0 - grid.x0) / grid.step), 9);
    for (let i = 0; i < net.columns; i++) expect(net.free[i]! + net.free[net.free.length - 1 - i]!).toBe(0);
    for (let j = 0; j < net.rows; j++) expect(net.free[j * net.columns]! + net.free[(j + 1) * net.columns - 1]!).toBe(0);
    const area = net.free.reduce((sum, f) => sum + f, 0) * 144;
    expect(area / (((406 + 360) / 2) * 367)).toBeCloseTo(1, 1);
    // What is carried over comes back, and what the smaller grid has no node for is nothing.
    const values = Float64Array.from({ length: grid.columns * grid.rows }, (_, i) => i + 1);
    expect([...carried(carried(values, grid, net), net, grid)]).toEqual([...values]);
    expect(carried(values, grid, net).reduce((sum, v) => sum + v, 0)).toBe(values.reduce((sum, v) => sum + v, 0));
  });
});
