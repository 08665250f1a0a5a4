import type { Place3 } from '@/core/cover';
import type { SheetView } from '@/core/plan';

/** A place on the cover that has a name. */
export type NamedPlace = { name: string; at: Place3 };

/** Places that one measures from: the top's middle, and where the cloth goes round the board's edge on each side. */
export function namedPlaces({ skin, plan }: SheetView): NamedPlace[] {
  if (!skin) return [];
  const nodes: Place3[] = skin.patches.flatMap(({ points }) =>
    Array.from({ length: points.length / 3 }, (_, i): Place3 => [points[3 * i]!, points[3 * i + 1]!, points[3 * i + 2]!]),
  );
  if (nodes.length === 0) return [];
  const least = (of: (node: Place3) => number): Place3 => nodes.reduce((best, node) => (of(node) < of(best) ? node : best));
  const box = plan.outline.points.reduce((most, [x, y]) => Math.max(most, Math.abs(x), Math.abs(y)), 1);
  // Near the middle line of each side, and there the lowest.
  const foot = ([wx, wy]: readonly [number, number]): Place3 =>
    least(([x, y, z]) => {
      const [out, beside] = [x * wx + y * wy, Math.abs(x * wy - y * wx)];
      return out <= 0 ? Infinity : beside * 3 - out * 0.2 + z;
    });
  const [near, far] = plan.base.words;
  const ways = [
    { name: near, way: [0, -1] },
    { name: far, way: [0, 1] },
    { name: 'left', way: [-1, 0] },
    { name: 'right', way: [1, 0] },
  ] as const;
  return [
    { name: 'middle of the top', at: least(([x, y, z]) => Math.hypot(x, y) * 3 - z / box) },
    ...ways.map(({ name, way }) => ({ name: `${name}, at the board’s edge`, at: foot(way) })),
  ];
}
