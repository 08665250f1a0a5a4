import type { Polygon } from '../outline';

/**
 * A shape as one that comes down onto others sees it: over each stretch of its width where its underside and its upper side lie,
 * straight between the stretch's ends. Flat arrays: they are compared thousands of times a second.
 */
export type Chains = {
  width: number;
  height: number;
  /** ends of the stretches, from the left; one more than there are stretches */
  x: Float64Array;
  /** underside and upper side at the left end of each stretch, and how they rise from there */
  low: Float64Array;
  lowRise: Float64Array;
  high: Float64Array;
  highRise: Float64Array;
};

/** Stretches narrower than this are none, mm. */
const NARROW = 1e-7;

/**
 * The chains of an outline.
 *
 * @param outline whose least x and y are nothing
 */
export function chainsOf(outline: Polygon): Chains {
  const width = Math.max(...outline.map(([x]) => x));
  const height = Math.max(...outline.map(([, y]) => y));
  const ends = [...new Set(outline.map(([x]) => x))].sort((a, b) => a - b).filter((x, k, all) => k === 0 || x - all[k - 1]! > NARROW);
  const stretches = ends.length - 1;
  const [low, lowRise, high, highRise] = [0, 1, 2, 3].map(() => new Float64Array(stretches)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let k = 0; k < stretches; k++) {
    const [from, to] = [ends[k]!, ends[k + 1]!];
    let [lowest, highest] = [Infinity, -Infinity];
    outline.forEach(([ax, ay], at) => {
      const [bx, by] = outline[(at + 1) % outline.length]!;
      const [left, right] = ax < bx ? [ax, bx] : [bx, ax];
      if (left > from + NARROW || right < to - NARROW || right - left < NARROW) return;
      const y = (x: number): number => ay + ((by - ay) * (x - ax)) / (bx - ax);
      const [y0, y1] = [y(from), y(to)];
      // Between two ends no two edges cross: the one that is lowest in the middle is lowest all along.
      const middle = (y0 + y1) / 2;
      if (middle < lowest) [lowest, low[k], lowRise[k]] = [middle, y0, (y1 - y0) / (to - from)];
      if (middle > highest) [highest, high[k], highRise[k]] = [middle, y0, (y1 - y0) / (to - from)];
    });
  }
  return { width, height, x: Float64Array.from(ends), low, lowRise, high, highRise };
}

/** Found by `between`: kept in one place so that nothing is made for each of thousands of questions. */
export const forbidden = { low: 0, high: 0 };

/**
 * Between which heights one shape cannot lie because of another: it overlaps it there, and above and below it does not.
 *
 * @param chains the shape that is laid, its left end at `x`
 * @param x mm
 * @param other the shape that lies there already
 * @param ox its left end, mm
 * @returns false where they are not over each other at all; else `forbidden` holds the heights, from `other`'s own lowest point
 */
export function between(chains: Chains, x: number, other: Chains, ox: number): boolean {
  const from = Math.max(x, ox);
  const to = Math.min(x + chains.width, ox + other.width);
  if (to - from < 1e-6) return false;
  let [low, high] = [Infinity, -Infinity];
  let i = 0;
  let j = 0;
  const [nx, mx] = [chains.x, other.x];
  while (x + nx[i + 1]! <= from + NARROW) i++;
  while (ox + mx[j + 1]! <= from + NARROW) j++;
  let at = from;
  for (;;) {
    const iEnd = x + nx[i + 1]!;
    const jEnd = ox + mx[j + 1]!;
    const end = Math.min(iEnd, jEnd, to);
    const [s, t, on] = [at - x - nx[i]!, at - ox - mx[j]!, end - at];
    // Straight lines are nearest at one end of what they share.
    const [gapLow, riseLow] = [
      other.low[j]! + other.lowRise[j]! * t - chains.high[i]! - chains.highRise[i]! * s,
      other.lowRise[j]! - chains.highRise[i]!,
    ];
    const [gapHigh, riseHigh] = [
      other.high[j]! + other.highRise[j]! * t - chains.low[i]! - chains.lowRise[i]! * s,
      other.highRise[j]! - chains.lowRise[i]!,
    ];
    const leastLow = riseLow < 0 ? gapLow + riseLow * on : gapLow;
    const mostHigh = riseHigh > 0 ? gapHigh + riseHigh * on : gapHigh;
    if (leastLow < low) low = leastLow;
    if (mostHigh > high) high = mostHigh;
    if (end >= to - NARROW) break;
    at = end;
    if (iEnd <= end + NARROW) i++;
    if (jEnd <= end + NARROW) j++;
  }
  forbidden.low = low;
  forbidden.high = high;
  return true;
}
