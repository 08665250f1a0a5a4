import type { Model } from '../build';
import { distanceAlong, type CornerPlan } from '../cover';
import { offsetPolygon, polygonPerimeter, type Point, type Polygon } from '../outline';

/** One staple: its place under the board and its turn in the order of work. */
export type StaplePlace = { n: number; x: number; y: number; edge: string; kind: 'centre' | 'edge' | 'corner' };

/** A stretch of the staple line between two corners (or a quarter of a round one). */
type Run = { edge: string; middle: number; places: number[] };

const QUARTERS = ['front', 'right', 'back', 'left'] as const;

/** Opposite edges are worked in turn: front, back, left, right. */
const PAIRED: readonly string[] = ['front', 'back', 'left', 'right'];

function pointAt(polygon: Polygon, at: number): Point {
  const total = polygonPerimeter(polygon);
  let left = ((at % total) + total) % total;
  for (let i = 0; i < polygon.length; i++) {
    const a = polygon[i]!;
    const b = polygon[(i + 1) % polygon.length]!;
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (left <= length) return [a[0] + ((b[0] - a[0]) * left) / length, a[1] + ((b[1] - a[1]) * left) / length];
    left -= length;
  }
  return polygon[0]!;
}

/** Even places over a stretch, no farther apart than the pitch, always one in the middle. */
function evenly(from: number, to: number, pitch: number): number[] {
  const middle = (from + to) / 2;
  const half = Math.max(0, (to - from) / 2);
  const steps = Math.ceil(half / pitch - 1e-9);
  const places = [middle];
  for (let k = 1; k <= steps; k++) places.push(middle - (half * k) / steps, middle + (half * k) / steps);
  return places;
}

function runsOf(model: Model, line: Polygon, corners: readonly CornerPlan[]): Run[] {
  const total = polygonPerimeter(line);
  const pitch = model.rule('staplePitch');
  if (corners.length === 0) {
    // A round seat has no corners: four quarters about the centre lines, closing on each other at the pitch.
    const perQuarter = Math.max(1, Math.ceil(total / 4 / pitch));
    const front = distanceAlong(line, [0, -1e6]);
    return QUARTERS.map((edge, i) => {
      const middle = front + (total * i) / 4;
      const offsets = Array.from({ length: perQuarter }, (_, k) => (k % 2 === 0 ? 1 : -1) * Math.ceil(k / 2));
      return { edge, middle, places: offsets.map((k) => middle - (k * total) / 4 / perQuarter) };
    });
  }
  const at = corners.map((corner) => distanceAlong(line, [corner.x, corner.y]));
  return corners.map((corner, i) => {
    const next = (i + 1) % corners.length;
    const from = at[i]! + model.rule('cornerOpen');
    const to = at[i]! + ((at[next]! - at[i]! + total) % total) - model.rule('cornerOpen');
    const middle = (from + to) / 2;
    return {
      edge: edgeBetween(corner.edge, corners[next]!.edge),
      middle,
      places: evenly(Math.min(from, middle), Math.max(to, middle), pitch),
    };
  });
}

function edgeBetween(a: string, b: string): string {
  return QUARTERS.find((edge) => a.split(' ').includes(edge) && b.split(' ').includes(edge)) ?? a;
}

/**
 * Places every staple and numbers it in the order of work: the centres of opposite sides first, then outwards on
 * all sides in turn, corners last and opposite each other.
 *
 * @param model the built piece
 * @param corners the planned corners
 */
export function staplePlaces(model: Model, corners: readonly CornerPlan[]): StaplePlace[] {
  const line = offsetPolygon(model.board, -model.rule('return'))!;
  const runs = runsOf(model, line, corners).sort((a, b) => PAIRED.indexOf(a.edge) - PAIRED.indexOf(b.edge));
  const ordered: Omit<StaplePlace, 'n'>[] = [];
  const put = (at: number, edge: string, kind: StaplePlace['kind']): void => {
    const [x, y] = pointAt(line, at);
    ordered.push({ x, y, edge, kind });
  };
  const longest = Math.max(...runs.map((run) => run.places.length));
  for (const run of runs) put(run.places[0]!, run.edge, 'centre');
  for (let k = 1; k < longest; k += 2) {
    for (const run of runs) {
      for (const at of run.places.slice(k, k + 2)) put(at, run.edge, 'edge');
    }
  }
  const open = model.rule('cornerOpen');
  const opposite = [0, 2, 1, 3].filter((i) => i < corners.length);
  for (const i of opposite) {
    const corner = corners[i]!;
    const middle = distanceAlong(line, [corner.x, corner.y]);
    const count = corner.pleats + 1;
    for (let k = 0; k < count; k++) put(middle + open * 0.6 * ((2 * (k + 0.5)) / count - 1), corner.edge, 'corner');
  }
  return ordered.map((place, i) => ({ n: i + 1, ...place }));
}
