import { describe, expect, it } from 'vitest';
import { tapeOver, type Place3, type Surface } from './tape-over';

/** A surface over a grid: height at each place, mm. */
function over(half: number, step: number, height: (x: number, y: number) => number): Surface {
  const n = Math.round((2 * half) / step) + 1;
  const points: number[] = [];
  const triangles: number[] = [];
  for (let r = 0; r < n; r++)
    for (let c = 0; c < n; c++) {
      const [x, y] = [-half + c * step, -half + r * step];
      points.push(x, y, height(x, y));
      if (r + 1 < n && c + 1 < n) {
        const i = r * n + c;
        triangles.push(i, i + 1, i + n, i + 1, i + n + 1, i + n);
      }
    }
  return { points, triangles };
}

/** A ball's upper half, mm. */
function ball(radius: number, rings: number): Surface {
  const points: number[] = [0, 0, radius];
  const triangles: number[] = [];
  const n = 96;
  for (let k = 1; k <= rings; k++)
    for (let i = 0; i < n; i++) {
      const [down, round] = [(k / rings) * (Math.PI / 2), (i / n) * 2 * Math.PI];
      points.push(radius * Math.sin(down) * Math.cos(round), radius * Math.sin(down) * Math.sin(round), radius * Math.cos(down));
      const [here, next] = [1 + (k - 1) * n + i, 1 + (k - 1) * n + ((i + 1) % n)];
      if (k === 1) triangles.push(0, here, next);
      else triangles.push(here - n, here, next, here - n, next, next - n);
    }
  return { points, triangles };
}

const lengthOf = (path: readonly Place3[]): number =>
  path.slice(1).reduce((sum, [x, y, z], i) => sum + Math.hypot(x - path[i]![0], y - path[i]![1], z - path[i]![2]), 0);

describe('a tape over the cloth', () => {
  it('over a ball from foot to foot is half its round, within a thousandth', () => {
    const { straight, over: length } = tapeOver([ball(200, 60)], [-200, 0, 0], [200, 0, 0]);
    expect(straight).toBeCloseTo(400, 6);
    expect(Math.abs(length / (Math.PI * 200) - 1)).toBeLessThan(0.001);
  });

  it('on what is level it is the straight line', () => {
    const flat = over(200, 10, () => 50);
    const { straight, over: length, path } = tapeOver([flat], [-120, -35, 50], [90, 61, 50]);
    expect(straight).toBeCloseTo(Math.hypot(210, 96), 9);
    expect(length).toBeCloseTo(straight, 9);
    expect(path).toEqual([
      [-120, -35, 50],
      [90, 61, 50],
    ]);
  });

  it('bridges a hollow, as a tape that is drawn tight does', () => {
    const hollow = over(200, 5, (x, y) => 60 - 30 * Math.exp(-(x * x + y * y) / 2000));
    const [a, b]: [Place3, Place3] = [
      [-150, 0, 60],
      [150, 0, 60],
    ];
    expect(tapeOver([hollow], a, b).over).toBeCloseTo(300, 2);
  });

  it('goes over what stands up between: a ridge of 40 at the middle of 300', () => {
    const ridge = over(200, 5, (x) => Math.max(0, 40 - Math.abs(x)));
    const { over: length } = tapeOver([ridge], [-150, 0, 0], [150, 0, 0]);
    expect(length).toBeCloseTo(2 * Math.hypot(150, 40), 6);
  });

  it('lies round a rim from the top to a place down the side, also where the side stands out', () => {
    // A block of 400 across and 100 high whose side bulges by 10 half way down.
    const points = [-200, -50, 100, 200, -50, 100, 210, -50, 50, 200, -50, 0, -200, 50, 100, 200, 50, 100, 210, 50, 50, 200, 50, 0];
    const triangles = [0, 1, 4, 1, 5, 4, 1, 2, 5, 2, 6, 5, 2, 3, 6, 3, 7, 6];
    const { over: length } = tapeOver([{ points, triangles }], [0, 0, 100], [200, 0, 0]);
    expect(length).toBeCloseTo(200 + Math.hypot(10, 50) * 2, 6);
  });

  it('measures the same there and back, never less than the straight line, and its path is as long as it says', () => {
    const hills = over(200, 8, (x, y) => 60 + 20 * Math.sin(x / 37) + 15 * Math.cos(y / 29));
    const at = (x: number, y: number): Place3 => [x, y, 60 + 20 * Math.sin(x / 37) + 15 * Math.cos(y / 29)];
    for (let k = 0; k < 60; k++) {
      const [a, b] = [at(-190 + ((k * 71) % 380), -190 + ((k * 37) % 380)), at(-190 + ((k * 113) % 380), -190 + ((k * 59) % 380))];
      const there = tapeOver([hills], a, b);
      const back = tapeOver([hills], b, a);
      expect(there.over).toBeGreaterThanOrEqual(there.straight - 1e-9);
      expect(there.over).toBeCloseTo(back.over, 6);
      expect(lengthOf(there.path)).toBeCloseTo(there.over, 6);
    }
  });

  it('one place above the other is measured too', () => {
    const { straight, over: length } = tapeOver([ball(200, 30)], [200, 0, 0], [200, 0, 40]);
    expect(straight).toBe(40);
    expect(length).toBeGreaterThanOrEqual(40);
  });
});
