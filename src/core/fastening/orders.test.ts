import { describe, expect, it } from 'vitest';
import { newChairSeat, newPiece, ORDERS, STARTING_SHAPES, type Piece } from '../piece';
import { planPiece } from '../plan';
import type { FastenerPlace } from '.';
import { QUICK } from '../../testing/quick';

const fixing = (piece: Piece) => planPiece(piece, {}, QUICK).fixing;
const ordered = (piece: Piece, order: (typeof ORDERS)[number]['id'] | null) => fixing({ ...piece, covering: { ...piece.covering, order } });
const edges = (order: readonly FastenerPlace[]): string[] => order.filter(({ kind }) => kind !== 'corner').map(({ edge }) => edge);
/** The edges in the order in which each is begun. */
const begun = (order: readonly FastenerPlace[]): string[] => [...new Set(edges(order))];

describe('the order of work, by its school', () => {
  const seat = newChairSeat();

  it('puts the same staples in whichever order, corners last, and each in one wave', () => {
    const key = ({ x, y }: FastenerPlace): string => `${x.toFixed(3)} ${y.toFixed(3)}`;
    const usual = fixing(seat).order.map(key).sort();
    for (const { id } of ORDERS) {
      const { order, waves } = ordered(seat, id);
      expect(order.map(key).sort(), id).toEqual(usual);
      expect(order.map(({ n }) => n)).toEqual(order.map((_, k) => k + 1));
      const first = order.findIndex(({ kind }) => kind === 'corner');
      expect(
        order.slice(first).every(({ kind }) => kind === 'corner'),
        id,
      ).toBe(true);
      expect(waves.flatMap(({ from, to }) => Array.from({ length: to - from + 1 }, (_, k) => from + k))).toEqual(order.map(({ n }) => n));
      expect(waves.length).toBeLessThanOrEqual(9);
    }
  });

  it('one long side right through, then its opposite, then the others from their centres', () => {
    // 450 in front is the longest; 390 behind lies opposite.
    const { order, waves } = ordered(seat, 'long-side');
    expect(begun(order)).toEqual(['front', 'back', 'left', 'right']);
    const [front, back] = [edges(order).lastIndexOf('front'), edges(order).indexOf('back')];
    expect(front).toBeLessThan(back);
    expect(edges(order).lastIndexOf('back')).toBeLessThan(edges(order).indexOf('left'));
    expect(waves[0]!.says).toContain('one long side, front');
  });

  it('a single bowed side first by itself, its opposite next; two bowed sides or a round one as usual', () => {
    const arched = newPiece('headboard', STARTING_SHAPES.arched);
    const { order, waves } = fixing(arched);
    const [first, second] = begun(order);
    expect(waves[0]!.says).toMatch(/^the bowed side/);
    // The arch is on top; the bottom lies opposite.
    const heights = order.filter(({ edge }) => edge === first).map(({ y }) => y);
    const low = order.filter(({ edge }) => edge === second).map(({ y }) => y);
    expect(Math.min(...heights)).toBeGreaterThan(Math.max(...low));
    // A crowned top has a left and a right half; it is one side, and the bottom lies opposite.
    expect(fixing(newPiece('headboard-nailed')).waves[0]!.says).toMatch(/^the bowed side, top, from its middle outwards/);
    expect(begun(fixing(newPiece('headboard-nailed')).order).slice(0, 2)).toEqual(['top', 'bottom']);
    expect(fixing(newChairSeat({ type: 'round', diameter: 380 })).waves[0]!.says).toBe('centres of opposite sides');
    expect(fixing(seat).waves[0]!.says).toBe('centres of opposite sides');
  });

  it('a saddle: temporary ones, nose, tail, the sides from the front backwards, left and right never far apart', () => {
    const { order, waves, fasteners } = fixing(newPiece('saddle'));
    expect(waves.map(({ temporary }) => temporary)).toEqual([true, ...waves.slice(1).map(() => false)]);
    const { temporary, places } = fasteners.find(({ id }) => id === 'rivets')!;
    expect(temporary.length).toBeGreaterThanOrEqual(8);
    expect(temporary.length).toBeLessThan(places.length);
    const edgesIn = edges(order);
    expect(edgesIn.indexOf('front')).toBe(0);
    const flanks = order.filter(({ edge, kind }) => kind !== 'corner' && edge !== 'front' && edge !== 'back');
    flanks.forEach(({ y }, k) => k > 0 && expect(y).toBeGreaterThanOrEqual(flanks[k - 1]!.y - 1e-6));
    let lead = 0;
    for (const { x } of flanks) {
      lead += Math.sign(x);
      expect(Math.abs(lead)).toBeLessThanOrEqual(2);
    }
    const steps = planPiece(newPiece('saddle'), {}, QUICK).steps;
    expect(steps.find(({ key }) => key === 'tack')!.detail).toContain(`${temporary.length} temporary staples or clips`);
    expect(steps.find(({ key }) => key === 'rivet')!.detail).toContain('comes out as soon as the rivets on either side of it hold');
  });

  it('every staple is pulled straight in from the edge that it stands at', () => {
    for (const kind of ['chair-seat', 'headboard', 'saddle'] as const) {
      for (const { x, y, pull, edge } of fixing(newPiece(kind)).order) {
        const [dx, dy] = pull!;
        expect(Math.hypot(dx, dy), kind).toBeCloseTo(1, 2);
        // Inwards is towards the middle, more or less.
        expect(dx * -x + dy * -y, `${kind} ${edge}`).toBeGreaterThan(0);
      }
    }
    const front = fixing(seat).order.find(({ edge, kind }) => edge === 'front' && kind === 'centre')!;
    expect(front.pull![1]).toBeCloseTo(1, 3);
  });
});
