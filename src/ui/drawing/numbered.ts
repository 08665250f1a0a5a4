import type { Fixing } from '@/core/fastening';

type Staple = Pick<Fixing['order'][number], 'n' | 'x' | 'y' | 'kind'>;

/** Every so many staples one is numbered where they stand close. */
const NUMBERED = 5;

/** Which of the staples are numbered: all where they stand apart, otherwise the first of each edge, every fifth and each that has room. */
export function numbered(order: readonly Staple[], size: number): Set<number> {
  const shown: Staple[] = [];
  const room = ({ x, y }: Staple): boolean => shown.every((other) => Math.hypot(other.x - x, other.y - y) > size * 0.95);
  const first = order.filter(({ kind, n }) => kind === 'centre' || n % NUMBERED === 0);
  for (const staple of [...first, ...order]) if (staple.kind !== 'corner' && room(staple)) shown.push(staple);
  return new Set(shown.map(({ n }) => n));
}
