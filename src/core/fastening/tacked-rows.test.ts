import { describe, expect, it } from 'vitest';
import { isInside, distanceTo } from '../outline';
import { newPiece, type Piece } from '../piece';
import { planPiece } from '../plan';
import { QUICK } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

const planned = (piece: Piece) => planPiece(piece, {}, QUICK);
const start = newPiece('headboard-bordered');

describe('rows of staples on the board', () => {
  weekly(0)('of a bordered headboard are all drawn: as many as are counted, on their lines, no farther apart than the pitch', () => {
    const plan = planned(start);
    const { tacked, pitch, fasteners, rows } = plan.fixing;
    expect(tacked.map(({ name }) => name)).toEqual([
      'Inner panel',
      'Border, back-tacked',
      'Border, pulled to the edge',
      'Band, back-tacked',
    ]);
    const staples = fasteners.find(({ id }) => id === 'staples')!;
    const drawn = staples.places.length + tacked.reduce((sum, { places }) => sum + places.length, 0);
    // What is left is the dust cover's and the wadding's, each with a row of its own behind the board.
    expect(drawn).toBeGreaterThan(0.75 * staples.count);
    expect(rows.map(({ id }) => id)).toEqual(expect.arrayContaining(['dust', 'over-all']));
    const board = plan.outline.points;
    for (const { inset, places } of tacked) {
      for (const { x, y } of places) {
        expect(distanceTo(board, [x, y])).toBeCloseTo(inset, 0);
        expect(inset === 0 || isInside(board, [x, y])).toBe(true);
      }
      const gaps = places.map(({ x, y }, i) => Math.hypot(x - places.at(i - 1)!.x, y - places.at(i - 1)!.y));
      expect(Math.max(...gaps)).toBeLessThanOrEqual(pitch + 1e-6);
      expect(Math.min(...gaps)).toBeGreaterThan(pitch * 0.6);
    }
    // Two on one line never stand in each other.
    for (const [a, b] of [
      [tacked[0]!, tacked[1]!],
      [tacked[2]!, tacked[3]!],
    ] as const)
      for (const p of a.places) for (const q of b.places) expect(Math.hypot(p.x - q.x, p.y - q.y)).toBeGreaterThan(5);
  });

  it('of a border on three sides leave the near edge out and run down to it', () => {
    const piece: Piece = { ...start, covering: { ...start.covering, borders: 'three' } };
    const [inner] = planned(piece).fixing.tacked;
    const board = planned(piece).outline.points;
    const low = Math.min(...board.map(([, y]) => y));
    const beside = inner!.places.filter(({ y }) => y < low + inner!.inset - 5);
    expect(beside.length).toBeGreaterThan(2);
    expect(inner!.places.some(({ x, y }) => Math.abs(x) < 100 && y < low + inner!.inset + 5)).toBe(false);
  });

  it('are none where nothing is tacked', () => {
    expect(planned(newPiece('chair-seat')).fixing.tacked).toEqual([]);
  });
});
