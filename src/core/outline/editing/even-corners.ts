import type { Point } from '../types';

/** Corners to begin a drawn pad with. */
const CORNERS = 12;

/**
 * Places at even steps round a closed line.
 *
 * @param line corners, mm
 * @param [count=12] how many
 * @returns places to a tenth of a millimetre
 */
export function evenCorners(line: readonly Point[], count = CORNERS): [number, number][] {
  const lengths = [0];
  line.forEach((p, i) => {
    const q = line[(i + 1) % line.length]!;
    lengths.push(lengths[i]! + Math.hypot(q[0] - p[0], q[1] - p[1]));
  });
  const round = lengths.at(-1)!;
  let i = 0;
  return Array.from({ length: count }, (_, k): [number, number] => {
    const s = (round * k) / count;
    while (i + 1 < line.length && lengths[i + 1]! < s) i++;
    const [p, q] = [line[i]!, line[(i + 1) % line.length]!];
    const t = (s - lengths[i]!) / (lengths[i + 1]! - lengths[i]! || 1);
    return [Math.round((p[0] + (q[0] - p[0]) * t) * 10) / 10, Math.round((p[1] + (q[1] - p[1]) * t) * 10) / 10];
  });
}
