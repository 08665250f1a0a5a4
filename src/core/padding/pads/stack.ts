import { distanceTo, isInside, type Point } from '../../outline';
import type { BuiltPad, Stack } from '../model';
import { localThickness, thicknessWithin } from './pad-height';

/** One pad at a place in the plan: its underside and its top before covering, mm over the reference plane. */
export type PadAt = { lower: number; upper: number };

/** A bevel takes this share of the pad away at the very rim; the rest is left to hold the cover. */
export const BEVEL = 0.6;

/** How high a pad stands at its rim: what a pad laid over it has to come down from, mm. */
function rimStep({ pad }: BuiltPad, thickness: number): number {
  if (pad.edge.kind === 'square' || pad.edge.kind === 'bevelled') return thickness;
  return pad.edge.kind === 'rounded' ? Math.max(0, thickness - pad.edge.width) : 0;
}

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
    if (there && edge.kind === 'roll' && away(k) > edge.width + 1e-6) return null;
    if (!there) {
      // Raised only where a pad above passes over the step's foot.
      const above = pads[k + 1];
      if (above) {
        const step = rimStep(built, localThickness(built, at));
        if (step > 0) under += bridge(away(k), step, above.pad.thickness);
      }
      return null;
    }
    const lift = edge.kind === 'bevelled' ? liftAt(built, at, edge.width, away(k)) : 0;
    const thickness = thicknessWithin(built, at, model.middle, () => away(k));
    const lower = under + lift;
    const upper = lower + Math.max(thickness - lift, 0);
    under = upper;
    top = upper;
    return { lower, upper };
  });
  return { pads: found, base, top };
}

function liftAt(built: BuiltPad, at: Point, width: number, away: number): number {
  return away >= width ? 0 : BEVEL * localThickness(built, at) * (1 - away / width);
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
