import type { LayBin, LayShape, LayTask, Turn } from '../core/nesting';
import type { Point, Polygon } from '../core/outline';

/** A seat’s outline with round corners, wider in front: its least x and y are nothing. */
export function taperedSeat(front: number, back: number, depth: number, radius = 30): Polygon {
  const inset = (front - back) / 2;
  const points: Point[] = [];
  const corner = (x: number, y: number, from: number): void => {
    for (let k = 0; k <= 6; k++) {
      const angle = from + (Math.PI / 12) * k;
      points.push([x + radius * Math.cos(angle), y + radius * Math.sin(angle)]);
    }
  };
  corner(radius, radius, Math.PI);
  corner(front - radius, radius, 1.5 * Math.PI);
  corner(front - inset - radius, depth - radius, 0);
  corner(inset + radius, depth - radius, Math.PI / 2);
  return points;
}

/** Pieces to lay, all alike or each by its number. */
export function shapesOf(
  count: number,
  outline: (k: number) => Polygon,
  turns: readonly Turn[] = [0, 180],
  motif: Point | null = null,
): LayShape[] {
  return Array.from({ length: count }, (_, k) => ({ key: `s${k}`, label: 'Seat', piece: 'p', outline: outline(k), turns, motif }));
}

/** A roll off the shelf. */
export const roll = (width = 1400): LayBin => ({
  id: 'roll',
  says: 'Roll',
  stock: null,
  ware: 'w',
  width,
  length: null,
  flaws: [],
  outline: null,
});

/** What is laid on a roll with 10 between. */
export const onRoll = (shapes: LayShape[], more: Partial<LayTask> = {}): LayTask => ({
  shapes,
  stock: [],
  fresh: roll(),
  gap: 10,
  repeat: null,
  locked: [],
  ...more,
});
