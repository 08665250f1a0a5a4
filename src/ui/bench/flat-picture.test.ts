import { describe, expect, it } from 'vitest';
import { bounds, type Point } from '@/core/outline';
import { KINDS, newPiece } from '@/core/piece';
import { planPiece } from '@/core/plan';
import { laidOut } from './flat-picture';
import { QUICK } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';

describe('the cover’s pieces, flat', () => {
  it.each(thisWeek(KINDS, 3).map(({ id }) => id))('%s: every piece once at its own size, none on another', (id) => {
    const { cover } = planPiece(newPiece(id), {}, QUICK);
    const { laid, width, height } = laidOut(cover.pieces.map(({ name, outline }) => ({ name, outline: outline as Point[] })));
    expect(laid.map(({ name }) => name).sort()).toEqual(cover.pieces.map(({ name }) => name).sort());
    for (const item of laid) {
      const points = [...item.d.matchAll(/(-?[\d.]+)[ ,](-?[\d.]+)/g)].map(([, x, y]): Point => [Number(x), Number(y)]);
      const box = bounds(points);
      expect(Math.abs(box.width - item.width)).toBeLessThan(0.2);
      expect(Math.abs(box.height - item.height)).toBeLessThan(0.2);
      // Drawn where it was laid, from its upper left corner downwards.
      expect(Math.abs(box.minX - item.x)).toBeLessThan(0.2);
      expect(Math.abs(box.minY - item.y)).toBeLessThan(0.2);
      expect(item.x + item.width).toBeLessThanOrEqual(width + 1e-6);
      expect(item.y + item.height).toBeLessThanOrEqual(height + 1e-6);
    }
    laid.forEach((a, i) =>
      laid.slice(i + 1).forEach((b) => {
        const spacing =
          a.x + a.width <= b.x + 1e-6 || b.x + b.width <= a.x + 1e-6 || a.y + a.height <= b.y + 1e-6 || b.y + b.height <= a.y + 1e-6;
        expect(spacing, `${id}: ${a.name} on ${b.name}`).toBe(true);
      }),
    );
  });
});
