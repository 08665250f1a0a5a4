import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inspectPlan } from '../../inspection';
import { newPiece, type Piece } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { sizesOf } from '../../sizes';
import { hiddenJoins } from './band-joins';
import { cornerPlaces } from './levels';
import type { Ring, RingPlace } from './ring';
import { QUICK } from '../../../testing/quick';
import { runs } from '../../../testing/runs';

/** Longest strip up the roll as sewn: the roll's 1400 less a seam allowance at either end. */
const LONGEST = 1400 - 2 * 12;

function box(way: 'boxed' | 'block', [width, depth, thick]: readonly [number, number, number]): Piece {
  const kind = way === 'boxed' ? 'bench' : 'seat-cushion';
  const start = newPiece(kind, { type: 'rectangle', width, depth, cornerRadius: { front: 15, back: 15 } });
  const cloth = { ...start.cloth, rollWidth: 1400, direction: 'along' as const };
  return { ...start, cloth, covering: { way } as Piece['covering'], pads: start.pads.map((pad) => ({ ...pad, thickness: thick })) };
}

/** The band's parts but for the zip, as long as they are cut. */
const bands = ({ cover }: Plan): { name: string; length: number }[] =>
  cover.pieces.filter(({ role }) => role === 'band').map(({ name, width, height }) => ({ name, length: Math.max(width, height) }));

describe('a band that does not come off the roll in one', () => {
  it('is joined where nobody looks: the front is one part, and none is a sliver', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('boxed' as const, 'block' as const),
        fc.integer({ min: 350, max: 1300 }),
        fc.integer({ min: 330, max: 900 }),
        fc.integer({ min: 60, max: 120 }),
        (way, width, depth, thick) => {
          const plan = planPiece(box(way, [width, depth, thick]), {}, QUICK);
          const parts = bands(plan);
          // A master hides a join at a corner or behind: nobody sews one in the middle of what is looked at.
          expect(parts.filter(({ name }) => parts.length === 1 || /front/.test(name))).toHaveLength(1);
          for (const { length } of parts) {
            expect(length).toBeLessThanOrEqual(LONGEST + 2 * 12 + 1);
            expect(length).toBeGreaterThan(150);
          }
        },
      ),
      { numRuns: runs(8, 80), seed: 11 },
    );
  });

  it('is joined in a moment where there are sixty corners, no two of them alike', () => {
    const places = Array.from({ length: 300 }, (_, i) => ({ at: 20 * i, turn: i % 5 === 0 && i % 10 !== 0 ? 1 : 0 }) as RingPlace);
    for (let i = 0; i < 300; i += 7) places[i] = { ...places[i]!, turn: 1 };
    const ring: Ring = { total: 6000, places, grid: null as never };
    expect(cornerPlaces(ring).length).toBeGreaterThan(60);
    const joins = hiddenJoins(ring, new Float64Array(300).fill(20), LONGEST, 0.5)!;
    const parts = joins.map((place, k) => 20 * ((joins[k + 1] ?? joins[0]! + 300) - place));
    for (const part of parts) {
      expect(part).toBeLessThanOrEqual(LONGEST);
      expect(part).toBeGreaterThanOrEqual(150);
    }
  });

  it.each([
    ['a bench of 1200 × 400, boxed', box('boxed', [1200, 400, 75]), ['Band 1, back and left', 'Band 2, front', 'Band 3, right and back']],
    ['a chair seat of 450 × 420, boxed', box('boxed', [450, 420, 50]), ['Band 1, back', 'Band 2, front and sides']],
  ] as const)('%s: its parts are named by the edges that they go along', (_, piece, names) => {
    const plan = planPiece(piece, {}, QUICK);
    expect(
      bands(plan)
        .map(({ name }) => name.replace(/^Band \d+, /, ''))
        .sort(),
    ).toEqual(names.map((name) => name.replace(/^Band \d+, /, '')).sort());
    expect(inspectPlan({ plan, sizes: sizesOf(plan, piece, {}) })).toEqual([]);
  });
});
