import type { Point, Segment } from './types';

/** Length of one stretch of an outline, mm. */
export function segmentLength(segment: Segment): number {
  if (segment.kind === 'arc') return segment.radius * Math.abs(segment.sweep);
  return Math.hypot(segment.to[0] - segment.from[0], segment.to[1] - segment.from[1]);
}

/** Where a segment is at a share t (0 to 1) of its length. */
export function pointOn(segment: Segment, t: number): Point {
  if (segment.kind === 'line') {
    return [segment.from[0] + (segment.to[0] - segment.from[0]) * t, segment.from[1] + (segment.to[1] - segment.from[1]) * t];
  }
  const angle = segment.start + segment.sweep * t;
  return [segment.centre[0] + segment.radius * Math.cos(angle), segment.centre[1] + segment.radius * Math.sin(angle)];
}
