import { describe, expect, it } from 'vitest';
import { KINDS, newPiece } from '../piece';
import { planPiece } from '../plan';
import { wavesOf } from '.';
import { QUICK } from '../../testing/quick';

describe('the order in waves', () => {
  it('of every kind has each fastener in one wave, in their order, and no wave that nobody can follow', () => {
    for (const { id } of KINDS) {
      const { fixing } = planPiece(newPiece(id), {}, QUICK);
      const waves = wavesOf(fixing.order);
      expect(
        waves.flatMap(({ from, to }) => Array.from({ length: to - from + 1 }, (_, k) => from + k)),
        id,
      ).toEqual(fixing.order.map(({ n }) => n));
      // Two sides right through, in two halves where they are long, then the five of the others.
      expect(waves.length, id).toBeLessThanOrEqual(9);
    }
  });

  it('of a chair seat: four centres, eight beside them, half-way, to the corners, corners', () => {
    const { fixing } = planPiece(newPiece('chair-seat'), {}, QUICK);
    const waves = wavesOf(fixing.order);
    expect(waves.slice(0, 2)).toMatchObject([
      { from: 1, to: 4 },
      { from: 5, to: 12 },
    ]);
    const kinds = waves.map(({ from, to }) => new Set(fixing.order.filter(({ n }) => n >= from && n <= to).map(({ kind }) => kind)));
    expect(kinds.map((kind) => [...kind])).toEqual([['centre'], ['edge'], ['edge'], ['edge'], ['corner']]);
    // Each wave but the first lies farther out than the one before.
    const far = waves.slice(1, 4).map(({ from, to }) => {
      const matching = fixing.order.filter(({ n }) => n >= from && n <= to);
      const centre = (edge: string) => fixing.order.find((one) => one.kind === 'centre' && one.edge === edge)!;
      return matching.reduce((sum, { x, y, edge }) => sum + Math.hypot(x - centre(edge).x, y - centre(edge).y), 0) / matching.length;
    });
    expect(far[0]!).toBeLessThan(far[1]!);
    expect(far[1]!).toBeLessThan(far[2]!);
  });

  it('of nothing is nothing', () => {
    expect(wavesOf([])).toEqual([]);
  });
});
