import { samePart } from './edge-part';
import { segmentLength } from './polygon/segment';
import type { EdgePart, Outline } from './types';

/**
 * How long a part of an outline is along its curves, mm; nothing where the outline has no such part.
 *
 * @param outline of the base
 * @param part an edge, a corner or a notch
 */
export function edgeLength({ segments }: Outline, part: EdgePart): number {
  return segments.filter(({ edge }) => samePart(edge, part)).reduce((sum, segment) => sum + segmentLength(segment), 0);
}
