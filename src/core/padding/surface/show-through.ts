import { isInside, type Point } from '../../outline';
import { rimOf } from '../../pad-rims';
import type { Stack } from '../model';
import type { CoveredSurface } from './covered';
import { readGrid } from '../../heights';

/** How far steps inside the stack read on top: the sharpest bend of the cover above one, 1/m, and which pad's it is. */
export type ShowThrough = { curvature: number; pad: string | null; reads: boolean };

/** A bend sharper than this is seen in a plain cloth under a low light, 1/m: a radius of 125 mm. */
const SEEN = 8;

/** The bend is measured over this far to either side of the step's rim, mm. */
const SPAN = 12;

/**
 * Looks along the rim of every stepped pad that another covers for the sharpest bend in the cover above it.
 *
 * @param stack the built stack
 * @param covered its surface
 */
export function showThroughOf(model: Stack, covered: CoveredSurface): ShowThrough {
  let worst: ShowThrough = { curvature: 0, pad: null, reads: false };
  const span = Math.max(SPAN, covered.grid.step);
  model.pads.forEach((built, k) => {
    const { pad, polygon } = built;
    if (k === model.pads.length - 1 || rimOf(pad.edge).soft) return;
    const every = Math.max(1, Math.floor(polygon.length / 48));
    for (let i = 0; i < polygon.length; i += every) {
      const [a, b] = [polygon[i]!, polygon[(i + 1) % polygon.length]!];
      const l = Math.hypot(b[0] - a[0], b[1] - a[1]);
      if (l < 1e-9) continue;
      const [nx, ny] = [(b[1] - a[1]) / l, -(b[0] - a[0]) / l];
      const middle: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
      // Where the step lies under the rim the edge rounds it away.
      const beyond: Point = [middle[0] + nx * 2 * span, middle[1] + ny * 2 * span];
      if (!isInside(covered.polygon, beyond)) continue;
      const at = (out: number): number => readGrid(covered.grid, [middle[0] + nx * out, middle[1] + ny * out]);
      // Largest bend within two spans of the rim, whichever way.
      for (const centre of [-span, 0, span]) {
        const bend = (Math.abs(at(centre - span) - 2 * at(centre) + at(centre + span)) / (span * span)) * 1000;
        if (bend > worst.curvature) worst = { curvature: bend, pad: pad.id, reads: bend > SEEN };
      }
    }
  });
  return worst;
}
