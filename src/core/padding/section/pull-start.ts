import type { Point } from '../../outline';
import { pulledPoints, type StackCut, type Start } from '../../mechanics/section';
import { freeLine } from './free-line';

/** Bridged by less than this counts as lying on, mm. */
const LIES = 0.3;

/** A slope smaller than this is none. */
const LEVEL = 1e-7;

/**
 * Where a half's cover begins in the middle of the cut: the string pulled over both halves tells its slope there,
 * and whether it hangs free over a hollow.
 *
 * @param stackCut the half that is solved
 * @param other the half beyond the middle
 */
export function pullStart(stackCut: StackCut, other: StackCut): Start {
  const points: Point[] = [
    ...profile(other)
      .map(([u, z]): Point => [-u, z])
      .reverse(),
    ...profile(stackCut),
  ];
  const line = pulledPoints(points);
  const ownMiddle = Math.max(profile(stackCut)[0]![1], profile(other)[0]![1]);
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!];
    if (b[0] <= 1e-9 && i < line.length - 1) continue;
    const slope = b[0] > a[0] ? (b[1] - a[1]) / (b[0] - a[0]) : 0;
    if (a[0] > -1e-9) {
      // The string touches in the middle itself: it passes on as it came and as it goes.
      const before = line[Math.max(0, i - 2)]!;
      const came = a[0] > before[0] ? (a[1] - before[1]) / (a[0] - before[0]) : slope;
      return { slope: still((slope + came) / 2), height: null };
    }
    const height = a[1] - a[0] * slope;
    return { slope: still(slope), height: height > ownMiddle + LIES ? height : null };
  }
  return { slope: 0, height: null };
}

function still(slope: number): number {
  return Math.abs(slope) < LEVEL ? 0 : Math.max(-1, Math.min(1, slope));
}

function profile(stack: StackCut): Point[] {
  const free = freeLine(stack);
  return free.length > 1 ? free : [...stack.x].map((u, i): Point => [u, stack.base[i]!]);
}
