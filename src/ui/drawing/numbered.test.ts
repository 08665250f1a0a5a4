import { describe, expect, it } from 'vitest';
import { KINDS, newPiece } from '@/core/piece';
import { planPiece } from '@/core/plan';
import { numbered } from '@/ui/drawing/numbered';
import { QUICK } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';

describe.each(thisWeek(KINDS, 4).map(({ id }) => id))('staples of %s', (kind) => {
  const { order } = planPiece(newPiece(kind), {}, QUICK).fixing;

  it.each([4, 9, 16, 30])('numbers at %d mm a figure never lie over each other', (size) => {
    const listed = numbered(order, size);
    const shown = order.filter(({ n }) => listed.has(n));
    shown.forEach((a, i) =>
      shown.slice(i + 1).forEach((b) => expect(Math.hypot(a.x - b.x, a.y - b.y), `${a.n} and ${b.n}`).toBeGreaterThan(size * 0.95)),
    );
  });

  it('tell more the nearer one comes, and all of them at last', () => {
    const counts = [40, 20, 10, 5, 2].map((size) => numbered(order, size).size);
    expect([...counts].sort((a, b) => a - b)).toEqual(counts);
    const straight = order.filter(({ kind: text }) => text !== 'corner');
    const spaced = straight.every((a, i) => straight.slice(i + 1).every((b) => Math.hypot(a.x - b.x, a.y - b.y) > 2));
    if (spaced) expect(numbered(order, 2).size).toBe(straight.length);
  });

  it('tell where the work begins: the first of each side has its number wherever there is room', () => {
    const listed = numbered(order, 6);
    const centres = order.filter(({ kind: text }) => text === 'centre');
    if (centres.length > 0) expect(centres.some(({ n }) => listed.has(n))).toBe(true);
  });
});
