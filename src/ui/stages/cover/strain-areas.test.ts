import { describe, expect, it } from 'vitest';
import type { StrainMap } from '@/core/cover';
import { strainAreas } from './strain-areas';

const GIVE = { warp: 0.02, weft: 0.03, bias: 0.09 };

/** A flat strip of squares, 100 × 20 mm, each node's strain along the warp as asked for. */
function strip(warpAt: (x: number) => number): StrainMap {
  const columns = 41;
  const flat = Float64Array.from({ length: columns * 2 * 2 }, (_, i) => {
    const node = Math.floor(i / 2);
    return i % 2 === 0 ? (node % columns) * 2.5 : node < columns ? 0 : 20;
  });
  const triangles: number[] = [];
  for (let c = 0; c + 1 < columns; c++) triangles.push(c, c + 1, columns + c + 1, c, columns + c + 1, columns + c);
  const count = triangles.length / 3;
  const warp = Float64Array.from({ length: count }, (_, t) => warpAt((Math.floor(t / 2) + 0.5) * 2.5));
  return {
    piece: 'cover',
    triangles: Uint32Array.from(triangles),
    flat,
    warp,
    weft: new Float64Array(count),
    bias: new Float64Array(count),
  };
}

/** From where to where an area runs, read off its path. */
function reach(d: string): [number, number] {
  const xs = [...d.matchAll(/(-?[\d.]+),(-?[\d.]+)/g)].map(([, x]) => Number(x));
  return [Math.min(...xs), Math.max(...xs)];
}

describe('a map of strain', () => {
  it('has its steps where the strain passes them, and no zigzag of triangles', () => {
    // From nothing at the left to twice what the cloth gives at the right.
    const { areas } = strainAreas(
      strip((x) => (x / 100) * 2 * GIVE.warp),
      'warp',
      GIVE,
    );
    // A quarter is passed at 12.5 mm, half at 25, three quarters at 37.5, all of it at 50.
    [12.5, 25, 37.5, 50].forEach((at, i) => expect(reach(areas[i + 1]!)[0]).toBeCloseTo(at, -0.5));
    // Along the boundary of a step nothing jumps by as much as a triangle is wide.
    const xs = [...areas[4]!.matchAll(/(-?[\d.]+),(-?[\d.]+)/g)]
      .map(([, x, y]) => [Number(x), Number(y)] as const)
      .filter(([x, y]) => x < 60 && y < -2 && y > -18)
      .map(([x]) => x);
    expect(xs.length).toBeGreaterThan(10);
    expect(Math.max(...xs) - Math.min(...xs)).toBeLessThan(2.5);
  });

  it('is of one step where the strain is the same everywhere', () => {
    const { areas, box } = strainAreas(
      strip(() => 0.6 * GIVE.warp),
      'warp',
      GIVE,
    );
    expect(areas[3]).toBe('');
    expect(reach(areas[2]!)[1] - reach(areas[2]!)[0]).toBeGreaterThan(99);
    expect(box).toMatchObject({ w: 100, h: 20 });
  });

  it('has a rim of its outer sides alone', () => {
    const { rim } = strainAreas(
      strip(() => 0),
      'share',
      GIVE,
    );
    expect(rim.match(/M/g)).toHaveLength(2 * 40 + 2);
  });
});
