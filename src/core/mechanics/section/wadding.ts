import { strainAt, type OverAll } from '../../foam';
import type { Point } from '../../outline';
import { pulledPoints } from './string';

/** The pressure of the cover at a place is read over about this length of it, mm. */
const WINDOW = 10;

/** Angle between two points of a turned corner of the wadding, radians. */
const FAN = Math.PI / 40;

/** Pressure a pulled line puts on what it turns about, N/mm², at each of its points: pull × turn ÷ length. */
export function linePressure(points: readonly Point[], pull: number): number[] {
  const n = points.length;
  const turn = points.map((p, i) => {
    if (i === 0 || i === n - 1) return 0;
    const [a, c] = [points[i - 1]!, points[i + 1]!];
    const cross = (p[0] - a[0]) * (c[1] - p[1]) - (p[1] - a[1]) * (c[0] - p[0]);
    const along = (p[0] - a[0]) * (c[0] - p[0]) + (p[1] - a[1]) * (c[1] - p[1]);
    return Math.max(0, Math.atan2(-cross, along));
  });
  const s = [0];
  for (let i = 1; i < n; i++) s.push(s[i - 1]! + Math.hypot(points[i]![0] - points[i - 1]![0], points[i]![1] - points[i - 1]![1]));
  return points.map((_, i) => {
    let sum = 0;
    for (let j = i; j >= 0 && s[i]! - s[j]! <= WINDOW / 2; j--) sum += turn[j]!;
    for (let j = i + 1; j < n && s[j]! - s[i]! <= WINDOW / 2; j++) sum += turn[j]!;
    return (pull * sum) / WINDOW;
  });
}

/**
 * The slope of a half line in the middle, read from its first two stretches that are not too short to tell.
 *
 * @param bare the line, from the middle outwards
 */
export function middleSlope(bare: readonly Point[]): number {
  const ends = [bare[0]!];
  for (const point of bare) if (ends.length < 3 && point[0] - ends.at(-1)![0] >= WINDOW / 2) ends.push(point);
  const [a, b, c] = ends;
  if (!b) return 0;
  const first = (b[1] - a![1]) / (b[0] - a![0]);
  if (!c) return first;
  // Each is the slope half-way along its stretch: the middle lies half of the first stretch before that.
  const second = (c[1] - b[1]) / (c[0] - b[0]);
  return first - ((second - first) * (b[0] - a![0])) / (c[0] - a![0]);
}

/**
 * The pressure along a half line, as what lies beyond its ends has it: in the middle the other half goes on alike on either side of the
 * tangent there, and round the board's lower edge the cover turns in under it and presses the wadding there to next to nothing.
 */
function halfPressure(bare: readonly Point[], pull: number, slope: number): number[] {
  const [x0] = bare[0]!;
  const near = bare.slice(1).filter(([x]) => x - x0 <= 2 * WINDOW);
  // At least one point of the other half, however far apart they lie.
  const other = (near.length > 0 ? near : bare.slice(1, 2)).map(([x, z]): Point => [2 * x0 - x, z - 2 * slope * (x - x0)]).reverse();
  const [x, z] = bare.at(-1)!;
  return linePressure([...other, ...bare, [x - WINDOW, z]], pull).slice(other.length, -1);
}

/**
 * Lays wadding over a pulled line and the cover over it, down the whole side: the wadding is as thick as the cover's
 * pressure leaves it.
 *
 * @param bare the line pulled over the foam, from the middle to the board's lower edge
 * @param over its thickness once smoothed down, without pressure, mm, and how it gives
 * @param pull N/mm
 * @param [slope] of the line in the middle, where its two halves are not alike
 * @returns the wadding's outer face, and the cover over it
 */
export function overWadding(
  bare: readonly Point[],
  { thickness: settled, curve }: OverAll,
  pull: number,
  slope = 0,
): { face: Point[]; cover: Point[] } {
  const pressure = halfPressure(bare, pull, slope);
  const face: Point[] = [];
  let last: number | null = null;
  let lastThickness = settled;
  for (let i = 1; i < bare.length; i++) {
    const [a, b] = [bare[i - 1]!, bare[i]!];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (length < 1e-9) continue;
    const thickness = (k: number): number => settled * (1 - strainAt(curve, pressure[k]!));
    const [ta, tb] = [thickness(i - 1), thickness(i)];
    const angle = Math.atan2(b[0] - a[0], -(b[1] - a[1]));
    if (last !== null) {
      let turn = angle - last;
      while (turn > Math.PI) turn -= 2 * Math.PI;
      while (turn < -Math.PI) turn += 2 * Math.PI;
      const steps = Math.ceil(Math.abs(turn) / FAN);
      for (let k = 1; k < steps; k++) {
        const at = last + (turn * k) / steps;
        face.push([a[0] + lastThickness * Math.cos(at), a[1] + lastThickness * Math.sin(at)]);
      }
    }
    last = angle;
    lastThickness = tb;
    const [nx, nz] = [Math.cos(angle), Math.sin(angle)];
    for (const [t, thick] of [
      [0, ta],
      [1, tb],
    ] as const)
      face.push([a[0] + (b[0] - a[0]) * t + nx * thick, a[1] + (b[1] - a[1]) * t + nz * thick]);
  }
  // Where the wadding begins in the middle, the cover does too.
  const rest = bare.slice(-1);
  return { face, cover: pulledPoints([...face, ...rest]) };
}
