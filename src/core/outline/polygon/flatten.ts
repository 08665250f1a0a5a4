import { pointAt } from './segment';
import { snappedPoint, TIE, wholeUp } from '../../ties';
import type { Outline, Point, Polygon, Segment } from '../types';

/** How far a flattened arc may stand off its true line, mm: less than a blade's wander. */
export const FLATNESS = 0.02;

function stepsFor(segment: Segment, flatness: number): number {
  if (segment.kind === 'line') return 1;
  if (segment.kind === 'arc') {
    const step = 2 * Math.acos(Math.max(0, 1 - flatness / Math.max(segment.radius, flatness)));
    return 4 * wholeUp(Math.abs(segment.sweep) / step / 4);
  }
  // A Bézier of n equal parts stays within |P″|max/8n² of its chords.
  const { from, c1, c2, to } = segment;
  const bend =
    6 *
    Math.max(
      Math.hypot(c2[0] - 2 * c1[0] + from[0], c2[1] - 2 * c1[1] + from[1]),
      Math.hypot(to[0] - 2 * c2[0] + c1[0], to[1] - 2 * c2[1] + c1[1]),
    );
  return Math.min(400, Math.max(2, 2 * wholeUp(Math.sqrt(bend / (8 * flatness)) / 2)));
}

/**
 * Turns an outline into a closed polyline that nowhere leaves it by more than the flatness. A full circle is
 * cut on its quarter points so that its width and depth stay exact.
 *
 * @param outline lines, arcs and curves
 * @param [flatness=0.02] mm
 */
export function flatten(outline: Outline, flatness = FLATNESS): Polygon {
  const points: Point[] = [];
  for (const segment of outline.segments) {
    const steps = stepsFor(segment, flatness);
    for (let i = 0; i < steps; i++) points.push(snappedPoint(pointAt(segment, i / steps)));
  }
  return points.filter((p, i) => {
    const q = points[(i + points.length - 1) % points.length]!;
    return Math.hypot(p[0] - q[0], p[1] - q[1]) > TIE;
  });
}
