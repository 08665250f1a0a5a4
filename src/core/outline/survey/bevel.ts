import type { BevelRow } from '../schema/shapes';
import type { Point } from '../types';
import type { Closing } from './quad';

/**
 * Closes a traverse of sides and inside angles: what the angles are over or short of (n − 2)·π is shared out equally,
 * then the gap that is left is shared out in proportion to the length walked (the compass rule).
 *
 * @param rows sides in order, counter-clockwise, each with the inside angle at its far end; the last angle is at the start
 * @returns the corners, the first at the origin with the first side along x, and how the measurements close
 */
export function closeBevel(rows: readonly BevelRow[]): { corners: Point[]; closing: Closing } {
  const n = rows.length;
  const over = rows.reduce((sum, row) => sum + row.angle, 0) - (n - 2) * Math.PI;
  const walk = (angleShare: number): Point[] => {
    const points: Point[] = [[0, 0]];
    let bearing = 0;
    for (const row of rows) {
      const [x, y] = points.at(-1)!;
      points.push([x + row.length * Math.cos(bearing), y + row.length * Math.sin(bearing)]);
      bearing += Math.PI - (row.angle - angleShare);
    }
    return points;
  };
  const points = walk(over / n);
  const [gapX, gapY] = points[n]!;
  const total = rows.reduce((sum, row) => sum + row.length, 0);
  let walked = 0;
  const corners = rows.map((row, i): Point => {
    const [x, y] = points[i]!;
    const share = walked / total;
    walked += row.length;
    return [x - gapX * share, y - gapY * share];
  });
  const error = Math.hypot(gapX, gapY);
  const insideAngle = (i: number): number => {
    const [a, b, c] = [corners[i]!, corners[(i + 1) % n]!, corners[(i + 2) % n]!];
    const turn = Math.atan2(c[1] - b[1], c[0] - b[0]) - Math.atan2(b[1] - a[1], b[0] - a[0]);
    return (((Math.PI - turn) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  };
  const degrees = (over * 180) / Math.PI;
  return {
    corners,
    closing: {
      error,
      words: `The angles are ${Math.round(Math.abs(degrees) * 100) / 100}° ${degrees >= 0 ? 'over' : 'short'}; with that shared out, the last side ends ${Math.round(error * 10) / 10} mm from the first corner`,
      shares: rows.flatMap((row, i) => [
        {
          label: `Side ${i + 1}`,
          unit: 'length' as const,
          measured: row.length,
          taken: Math.hypot(corners[(i + 1) % n]![0] - corners[i]![0], corners[(i + 1) % n]![1] - corners[i]![1]),
        },
        { label: `Angle ${i + 1}`, unit: 'angle' as const, measured: row.angle, taken: insideAngle(i) },
      ]),
    },
  };
}
