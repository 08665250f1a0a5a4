import { describe, expect, it } from 'vitest';
import { KINDS, newPiece, type Piece } from '../piece';
import { planPiece } from '../plan';
import { QUICK } from '../../testing/quick';

const keysOf = (piece: Piece): string[] => planPiece(piece, {}, QUICK).steps.map(({ key }) => key);
const riveted = (piece: Piece): Piece => ({ ...piece, covering: { ...piece.covering, held: 'rivets' } });

describe('what is riveted', () => {
  it.each(['saddle', 'chair-seat'] as const)(
    '%s: its base is drilled bare, before foam or cloth lies on it; its cloth is punched, never drilled',
    (kind) => {
      const piece = riveted(newPiece(kind));
      const keys = keysOf(piece);
      const drilled = keys.indexOf('rivet-holes');
      expect(drilled).toBeGreaterThanOrEqual(0);
      for (const [i, key] of keys.entries()) if (/^(spray|glue|lay|wadding)/.test(key)) expect(i, key).toBeGreaterThan(drilled);
      expect(keys.indexOf('rivet')).toBeGreaterThan(drilled);
      const { steps } = planPiece(piece, {}, QUICK);
      const detail = steps.find(({ key }) => key === 'rivet')!.detail;
      expect(detail).toMatch(/punch the cloth/);
      expect(detail).not.toMatch(/drill through/);
    },
  );

  it('takes as long as before, hole and rivet together: 0.8 minutes each', () => {
    const { steps, fixing } = planPiece(newPiece('saddle'), {}, QUICK);
    const minutes = steps.filter(({ key }) => key === 'rivet' || key === 'rivet-holes').reduce((sum, step) => sum + step.minutes, 0);
    expect(Math.abs(minutes - 0.8 * fixing.order.length)).toBeLessThanOrEqual(1);
  });

  it('nothing else is drilled for rivets', () => {
    for (const { id } of KINDS.filter(({ id }) => id !== 'saddle').slice(0, 4)) expect(keysOf(newPiece(id))).not.toContain('rivet-holes');
  });
});
