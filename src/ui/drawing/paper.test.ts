import { describe, expect, it } from 'vitest';
import { seededRandom } from '@/testing/seeded-random';
import { fitted, type Extent, type Room } from './paper';

/** A figure's height on the screen, dots: what the rooms are counted in. */
const FIGURE = 15;

const roll = seededRandom(20261126);
const between = (low: number, high: number): number => low + (high - low) * roll();

describe('a drawing in its place', () => {
  it('lies whole in it, with its room for figures, in the middle, as large as it goes', () => {
    for (let k = 0; k < 400; k++) {
      const extent: Extent = { x: between(-900, 200), y: between(-900, 200), width: between(60, 3000), height: between(30, 2000) };
      const room: Room = { left: between(0, 5), right: between(0, 5), top: between(0, 4), bottom: between(0, 4) };
      const place = { width: between(420, 1600), height: between(320, 1100) };
      const { scale, x, y } = fitted(extent, room, place);
      expect(scale).toBeGreaterThan(0);
      // Where the drawing's own corners come to on the screen.
      const left = (extent.x - x) * scale;
      const top = (extent.y - y) * scale;
      const right = place.width - left - extent.width * scale;
      const bottom = place.height - top - extent.height * scale;
      const crowded = (room.left + room.right) * FIGURE > place.width * 0.5 || (room.top + room.bottom) * FIGURE > place.height * 0.5;
      if (crowded) continue;
      expect(left).toBeGreaterThanOrEqual(room.left * FIGURE - 0.01);
      expect(top).toBeGreaterThanOrEqual(room.top * FIGURE - 0.01);
      expect(right).toBeGreaterThanOrEqual(room.right * FIGURE - 0.01);
      expect(bottom).toBeGreaterThanOrEqual(room.bottom * FIGURE - 0.01);
      // One of the two ways it is as large as it can be.
      const spare = Math.min(left + right - (room.left + room.right) * FIGURE, top + bottom - (room.top + room.bottom) * FIGURE);
      expect(spare).toBeLessThan(0.01);
      // What is left over lies evenly on either side.
      expect(left - room.left * FIGURE).toBeCloseTo(right - room.right * FIGURE, 3);
      expect(top - room.top * FIGURE).toBeCloseTo(bottom - room.bottom * FIGURE, 3);
    }
  });

  it('does not vanish where its figures would take all of a small place', () => {
    const { scale } = fitted(
      { x: 0, y: 0, width: 500, height: 400 },
      { left: 4, right: 4, top: 4, bottom: 4 },
      { width: 130, height: 110 },
    );
    expect(scale * 500).toBeGreaterThan(40);
  });

  it('grows with its place and not with its subject', () => {
    const extent = { x: -250, y: -200, width: 500, height: 400 };
    const room = { left: 1, right: 4, top: 2, bottom: 3 };
    const scales = [300, 500, 800, 1300].map((side) => fitted(extent, room, { width: side, height: side }).scale);
    expect([...scales].sort((a, b) => a - b)).toEqual(scales);
    const twice = fitted({ x: -500, y: -400, width: 1000, height: 800 }, room, { width: 800, height: 800 }).scale;
    expect(twice).toBeCloseTo(scales[2]! / 2, 9);
  });
});
