import { distanceTo } from '../polygon/polygon-queries';
import { bounds, polygonPerimeter } from '../polygon/measure';
import type { Point, Polygon } from '../types';

/** What folding an outline about its centre line shows. */
export type Folded = {
  /** x of the centre line it folds best about, mm */
  centre: number;
  /** the farthest that one half stands off the other, mm, and where on the right-hand side */
  misfit: number;
  at: Point;
  /** the average of both halves, symmetric about x = 0, counter-clockwise from the front middle */
  averaged: Polygon;
};

/** Places looked at on each half. */
const PLACES = 180;
/** Places looked at to find the centre. */
const LOOKS = 120;

function mirrored(polygon: Polygon, centre: number): Polygon {
  return polygon.map(([x, y]): Point => [2 * centre - x, y]).reverse();
}

function misfitAbout(polygon: Polygon, centre: number): { misfit: number; at: Point } {
  const other = mirrored(polygon, centre);
  let misfit = 0;
  let at = polygon[0]!;
  for (const p of polygon) {
    const d = distanceTo(other, p);
    if (d > misfit) [misfit, at] = [d, p];
  }
  return { misfit, at };
}

/** Even places once round a closed polyline. */
function evenly(polygon: Polygon, count: number): Point[] {
  const step = polygonPerimeter(polygon) / count;
  const points: Point[] = [];
  let left = 0;
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!;
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    for (; left < length; left += step) points.push([a[0] + ((b[0] - a[0]) * left) / length, a[1] + ((b[1] - a[1]) * left) / length]);
    left -= length;
  });
  return points;
}

/** Even places from the front middle to the back middle along one side of a ring that starts at the front middle. */
function half(ring: Polygon, length: number): Point[] {
  const points: Point[] = [];
  let s = 0;
  let i = 0;
  for (let k = 0; k <= PLACES; k++) {
    const wanted = (length * k) / PLACES;
    for (;;) {
      const [a, b] = [ring[i % ring.length]!, ring[(i + 1) % ring.length]!];
      const step = Math.hypot(b[0] - a[0], b[1] - a[1]);
      if (s + step >= wanted || i > ring.length * 2) {
        const t = step > 0 ? (wanted - s) / step : 0;
        points.push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]);
        break;
      }
      s += step;
      i += 1;
    }
  }
  return points;
}

/** The ring begun where it crosses a vertical line in front, and the length from there to where it crosses behind. */
function fromFront(polygon: Polygon, centre: number): { ring: Polygon; toBack: number } {
  const hits: { i: number; p: Point }[] = [];
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!;
    if (a[0] < centre === b[0] < centre) return;
    const t = (centre - a[0]) / (b[0] - a[0]);
    hits.push({ i, p: [centre, a[1] + (b[1] - a[1]) * t] });
  });
  const front = hits.reduce((best, hit) => (hit.p[1] < best.p[1] ? hit : best));
  const back = hits.reduce((best, hit) => (hit.p[1] > best.p[1] ? hit : best));
  const n = polygon.length;
  const ring: Polygon = [front.p, ...Array.from({ length: n }, (_, k) => polygon[(front.i + 1 + k) % n]!)];
  let toBack = 0;
  for (let k = 0; k < n; k++) {
    const here = k === 0 ? front.p : polygon[(front.i + k) % n]!;
    const at = (front.i + k) % n;
    const next = at === back.i && (k > 0 || back.i !== front.i) ? back.p : polygon[(at + 1) % n]!;
    toBack += Math.hypot(next[0] - here[0], next[1] - here[1]);
    if (next === back.p) break;
  }
  return { ring, toBack };
}

/**
 * Folds an outline about the upright line on which the two halves agree best, on the mean.
 *
 * @param polygon closed polyline, counter-clockwise
 */
export function fold(polygon: Polygon): Folded {
  const box = bounds(polygon);
  // The centre is where most of the edge agrees: a dent on one side does not draw it over. The mean misfit has one low
  // place near the middle; closing in by thirds finds it.
  const looks = evenly(polygon, LOOKS);
  const meanAbout = (centre: number): number => {
    const other = mirrored(polygon, centre);
    return looks.reduce((sum, p) => sum + distanceTo(other, p), 0);
  };
  let [low, high] = [(box.minX + box.maxX) / 2 - box.width * 0.05, (box.minX + box.maxX) / 2 + box.width * 0.05];
  for (let i = 0; i < 24; i++) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (meanAbout(a) <= meanAbout(b)) high = b;
    else low = a;
  }
  const centre = (low + high) / 2;
  const { misfit, at } = misfitAbout(polygon, centre);
  const right = fromFront(polygon, centre);
  const left = fromFront(mirrored(polygon, centre), centre);
  const r = half(right.ring, right.toBack);
  const l = half(left.ring, left.toBack);
  const averagedHalf = r.map(([x, y], i): Point => [(x + l[i]![0]) / 2 - centre, (y + l[i]![1]) / 2]);
  averagedHalf[0] = [0, averagedHalf[0]![1]];
  averagedHalf[PLACES] = [0, averagedHalf[PLACES]![1]];
  const mirror = averagedHalf.slice(1, -1).map(([x, y]): Point => [-x, y]);
  return { centre, misfit, at, averaged: [...averagedHalf, ...mirror.reverse()] };
}
