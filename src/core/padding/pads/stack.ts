import { distanceTo, isInside, type Point } from '../../outline';
import { rimOf } from '../../pad-rims';
import type { Stack } from '../model';
import { localThickness, thicknessWithin } from './pad-height';

/** One pad at a place in the plan: its underside and its top before covering, mm over the reference plane. */
export type PadAt = { lower: number; upper: number };

/**
 * How far the underside of a pad laid over a step keeps off what lies beside it: an S of two arcs whose radius is the
 * pad's own thickness, so a thick pad bridges farther. Source: docs/models.md, "Free surface".
 *
 * @param away distance outside the step's rim, mm
 * @param step height, mm
 * @param thickness of the pad laid over it, mm
 */
export function bridge(away: number, step: number, thickness: number): number {
  if (step <= 0) return 0;
  const reach = bridgeReach(step, thickness);
  return away >= reach ? 0 : (step * (1 + Math.cos((Math.PI * Math.max(0, away)) / reach))) / 2;
}

/** How far out from a step a pad of that thickness is kept up, mm. */
export function bridgeReach(step: number, thickness: number): number {
  return Math.max(step <= 2 * thickness ? Math.sqrt(step * (4 * thickness - step)) : 2 * thickness, step / 2, 1);
}

/**
 * The pads at a place, from the base up, each where it lies before covering.
 *
 * @param stack the built stack
 * @param at plan point
 * @param [present] whether pad k is there; by its outline otherwise
 * @param [away] distance from pad k's outline, where that is known already
 * @returns one entry for each pad, null where it is not, and the top of them all
 */
export function stackAt(
  model: Stack,
  at: Point,
  present: (k: number) => boolean = (k) => isInside(model.pads[k]!.polygon, at),
  away: (k: number) => number = (k) => distanceTo(model.pads[k]!.polygon, at),
): { pads: (PadAt | null)[]; base: number; top: number } {
  const base = model.baseHeight(at[0], at[1]);
  const { pads } = model;
  let under = base;
  let top = base;
  const found = pads.map((built, k): PadAt | null => {
    const there = present(k);
    const { edge } = built.pad;
    const rim = rimOf(edge);
    if (there && rim.isThere && !rim.isThere(edge, away(k))) return null;
    if (!there) {
      // Raised only where a pad above passes over the step's foot.
      const above = pads[k + 1];
      if (above) {
        const step = rimOf(built.pad.edge).step(built.pad.edge, localThickness(built, at));
        if (step > 0) under += bridge(away(k), step, above.pad.thickness);
      }
      return null;
    }
    const lift = rim.lift ? rim.lift(edge, localThickness(built, at), away(k)) : 0;
    const thickness = thicknessWithin(built, at, model.middle, () => away(k));
    const lower = under + lift;
    const upper = lower + Math.max(thickness - lift, 0);
    under = upper;
    top = upper;
    return { lower, upper };
  });
  return { pads: found, base, top };
}

/**
 * Height of the unloaded, uncovered stack over the board's top face, mm.
 *
 * @param stack the built stack
 * @param at plan point
 */
export function freeHeight(model: Stack, at: Point): number {
  const { top, base } = stackAt(model, at);
  return top - base;
}
