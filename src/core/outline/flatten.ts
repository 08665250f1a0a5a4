import { pointOn } from './segment';
import type { Outline, Point, Polygon } from './types';

/** How far a flattened arc may stand off its true line, mm: less than a blade's wander. */
export const FLATNESS = 0.02;

/**
 * Turns an outline into a closed polyline that nowhere leaves it by more than the flatness. A full circle is
 * cut on its quarter points so that its width and depth stay exact.
 *
 * @param outline lines and arcs
 * @param [flatness=0.02] mm
 */
export function flatten(outline: Outline, flatness = FLATNESS): Polygon {
  const points: Point[] = [];
  for (const segment of outline.segments) {
    let steps = 1;
    if (segment.kind === 'arc') {
      const step = 2 * Math.acos(Math.max(0, 1 - flatness / Math.max(segment.radius, flatness)));
      steps = 4 * Math.ceil(Math.abs(segment.sweep) / step / 4);
    }
    for (let i = 0; i < steps; i++) points.push(pointOn(segment, i / steps));
  }
  return points.filter((p, i) => {
    const q = points[(i + points.length - 1) % points.length]!;
    return Math.hypot(p[0] - q[0], p[1] - q[1]) > 1e-9;
  });
}
