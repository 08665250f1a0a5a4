import type { Point } from '../../outline';

/**
 * Length along a covered line, from the middle outwards, at which its top ends: where it turns steeper than 45°
 * for the last time before the rim.
 *
 * @param line from the middle to the board's lower edge
 */
export function steepEnd(line: readonly Point[]): number {
  let s = 0;
  let end = 0;
  for (let i = 1; i < line.length; i++) {
    const [run, rise] = [line[i]![0] - line[i - 1]![0], line[i]![1] - line[i - 1]![1]];
    s += Math.hypot(run, rise);
    if (run > 0 && Math.abs(rise) <= run * (1 + 1e-9)) end = s;
  }
  return end;
}
