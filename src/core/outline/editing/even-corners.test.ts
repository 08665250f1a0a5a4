import { expect, it } from 'vitest';
import { evenCorners, polygonArea, type Point } from '..';

it('a pad taken over from the board to be drawn has its corners at even steps on the line it came from', () => {
  const round = Array.from({ length: 200 }, (_, i): Point => [200 * Math.cos((i * Math.PI) / 100), 150 * Math.sin((i * Math.PI) / 100)]);
  const corners = evenCorners(round);
  expect(corners).toHaveLength(12);
  for (const [x, y] of corners) expect(Math.hypot(x / 200, y / 150)).toBeCloseTo(1, 2);
  const steps = corners.map(([x, y], i) => Math.hypot(x - corners[(i + 1) % 12]![0], y - corners[(i + 1) % 12]![1]));
  expect(Math.max(...steps) / Math.min(...steps)).toBeLessThan(1.1);
  expect(polygonArea(corners) / polygonArea(round)).toBeGreaterThan(0.93);
});
