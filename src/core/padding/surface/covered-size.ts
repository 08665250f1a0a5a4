import type { StationSection } from '../section/station-sections';

/** How wide and deep a piece is once it is covered, at its widest, mm. */
export type CoveredSize = { width: number; depth: number };

/**
 * The covered piece from outermost to outermost: at every station the board’s edge, what the padding stands out beyond it
 * under the cover, and the cloth itself.
 *
 * @param sections at the stations, solved
 * @param cloth its thickness, mm
 */
export function coveredSize(sections: readonly StationSection[], cloth: number): CoveredSize {
  let [left, right, near, far] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { place, half, toMiddle, start } of sections) {
    const beyond = Math.max(0, Math.max(...half.cover.map(([u]) => u)) - (toMiddle - start)) + cloth;
    const x = place.point[0] + place.normal[0] * beyond;
    const y = place.point[1] + place.normal[1] * beyond;
    left = Math.min(left, x);
    right = Math.max(right, x);
    near = Math.min(near, y);
    far = Math.max(far, y);
  }
  return { width: right - left, depth: far - near };
}
