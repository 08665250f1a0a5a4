import type { Point } from '../outline';
import type { Pad, Pocket } from './schema';

/** Everything let into a pad from above: its pocket first, then patches and further pockets, in their order. */
export function letInto({ pocket, patches }: Pick<Pad, 'pocket' | 'patches'>): Pocket[] {
  return [...(pocket ? [pocket] : []), ...(patches ?? [])];
}

/** Distance from an oval's middle to its rim in a direction, mm; half axes a and b. */
function rimAt(a: number, b: number, cos: number, sin: number): number {
  return a > 0 && b > 0 ? 1 / Math.hypot(cos / a, sin / b) : 0;
}

/**
 * How deep what is let in reaches at a place: its whole depth within its floor, less and less over its blend, nothing at its
 * rim and beyond. A wall without a blend stands upright.
 *
 * @param pocket the oval
 * @param at place on the plan, mm
 * @returns mm
 */
export function letInDepth({ x, y, width, length, deep, blend = 0 }: Pocket, at: Point): number {
  const [dx, dy] = [at[0] - x, at[1] - y];
  const away = Math.hypot(dx, dy);
  if (away < 1e-9) return deep;
  const [cos, sin] = [dx / away, dy / away];
  const rim = rimAt(width / 2, length / 2, cos, sin);
  if (away > rim) return 0;
  const floor = rimAt(width / 2 - blend, length / 2 - blend, cos, sin);
  return away <= floor || rim - floor < 1e-9 ? deep : (deep * (rim - away)) / (rim - floor);
}

/** Directions in which what is let in is summed up. */
const ROUND = 360;

/**
 * Volume of what is let in, mm³: along each direction a floor and a straight wall, ∫ z r dr = deep (R² + R r + r²) / 6 for a
 * rim at R and a floor to r, summed over all directions.
 */
export function letInVolume({ width, length, deep, blend = 0 }: Pocket): number {
  let sum = 0;
  for (let i = 0; i < ROUND; i++) {
    const angle = (2 * Math.PI * (i + 0.5)) / ROUND;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const rim = rimAt(width / 2, length / 2, cos, sin);
    const floor = rimAt(width / 2 - blend, length / 2 - blend, cos, sin);
    sum += (rim * rim + rim * floor + floor * floor) / 6;
  }
  return (deep * sum * 2 * Math.PI) / ROUND;
}

/** Whether two ovals that are let in come nearer to each other than `apart`, mm; looked for along the rim of one. */
export function letInMeet(one: Pocket, other: Pocket, apart = 0): boolean {
  const grown = { ...other, width: other.width + 2 * apart, length: other.length + 2 * apart, blend: 0, deep: 1 };
  if (letInDepth(grown, [one.x, one.y]) > 0 || letInDepth({ ...one, blend: 0, deep: 1 }, [other.x, other.y]) > 0) return true;
  return Array.from({ length: 120 }, (_, i) => (2 * Math.PI * i) / 120).some(
    (angle) => letInDepth(grown, [one.x + (one.width / 2) * Math.cos(angle), one.y + (one.length / 2) * Math.sin(angle)]) > 0,
  );
}
