import { describe, expect, it } from 'vitest';
import { newChairSeat, newPiece } from '../../piece';
import { planPiece } from '../../plan';
import { nearestReach } from './reach';
import { QUICK } from '../../../testing/quick';

describe('pointing at the edge', () => {
  const { reach } = planPiece(newChairSeat(), {}, QUICK).cover;

  it('finds the place nearest the pointer, from inside the board and from far outside', () => {
    reach.places.forEach((place, i) => {
      if (i % 7 !== 0) return;
      expect(nearestReach(reach.places, place.x, place.y)).toBe(i);
      const far = reach.places[nearestReach(reach.places, place.x + 60 * place.nx, place.y + 60 * place.ny)]!;
      // A little further round at a corner, never on another side.
      expect(Math.hypot(far.x - place.x, far.y - place.y)).toBeLessThan(60);
    });
  });

  it('goes all the way round without a gap wider than a hand', () => {
    reach.places.forEach((place, i) => {
      const next = reach.places[(i + 1) % reach.places.length]!;
      expect(Math.hypot(next.x - place.x, next.y - place.y)).toBeLessThan(60);
      expect(Math.hypot(place.nx, place.ny)).toBeCloseTo(1, 2);
    });
  });

  it('has a seam line to take hold of for every sewn way', () => {
    for (const way of ['boxed', 'bordered', 'saddle-set', 'block', 'lipped']) {
      const { cover } = planPiece({ ...newPiece('chair-seat'), covering: { way, border: 60 } }, {}, QUICK);
      expect(cover.lines[0]!.points).toHaveLength(cover.reach.places.length);
    }
  });
});
