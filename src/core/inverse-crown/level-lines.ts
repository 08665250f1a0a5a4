import { contours } from 'd3';
import { bounds, polygonArea, type Point, type Polygon } from '../outline';
import type { Wished } from './profile';

const CELLS = 72;

/** A drawn pad has no more corners than this. */
const CORNERS = 96;

/** Smaller islands than this are not worth cutting, mm². */
const SMALLEST = 2500;

/**
 * Level lines of a wished crown: where it reaches a share of its height.
 *
 * @param wished the crown over its plan
 * @param share 0 … 1
 * @returns closed lines, counter-clockwise, the largest first
 */
export function levelLines({ share: at, rim }: Wished, share: number): Polygon[] {
  const box = bounds(rim);
  const step = Math.max(box.width, box.height) / CELLS;
  const n = Math.ceil(box.width / step) + 3;
  const m = Math.ceil(box.height / step) + 3;
  const [x0, y0] = [(box.minX + box.maxX) / 2 - ((n - 1) / 2) * step, (box.minY + box.maxY) / 2 - ((m - 1) / 2) * step];
  const values = Float64Array.from({ length: n * m }, (_, k) => at([x0 + (k % n) * step, y0 + Math.floor(k / n) * step]));
  const found = contours()
    .size([n, m])
    .contour([...values], Math.max(1e-4, share));
  // The package puts a value in the middle of its cell.
  return found.coordinates
    .map(([ring]) => (ring ?? []).slice(0, -1).map(([x, y]): Point => [x0 + (x! - 0.5) * step, y0 + (y! - 0.5) * step]))
    .map((ring) => (polygonArea(ring) < 0 ? [...ring].reverse() : ring))
    .filter((ring) => ring.length > 2 && polygonArea(ring) > SMALLEST)
    .sort((a, b) => polygonArea(b) - polygonArea(a))
    .map(even);
}

/** The line with its corners at even steps, each a mean of what lies around: as a hand would cut it. */
function even(ring: Polygon): Polygon {
  const lengths = [0];
  ring.forEach((p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    lengths.push(lengths[i]! + Math.hypot(q[0] - p[0], q[1] - p[1]));
  });
  const round = lengths.at(-1)!;
  const count = Math.min(CORNERS, Math.max(24, Math.round(round / 12)));
  let i = 0;
  return Array.from({ length: count }, (_, k): Point => {
    const s = (round * k) / count;
    while (lengths[i + 1]! < s) i++;
    const [p, q] = [ring[i % ring.length]!, ring[(i + 1) % ring.length]!];
    const t = (s - lengths[i]!) / (lengths[i + 1]! - lengths[i]! || 1);
    return [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t];
  });
}
