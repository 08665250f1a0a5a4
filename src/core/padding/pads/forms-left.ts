import type { Point } from '../../outline';
import type { CoveredSurface } from '../surface/covered';
import { readGrid } from '../../heights';
import { formOf } from '../../pad-forms';
import type { Stack } from '../model';
import { freeHeight } from './stack';

/** What is left of a hollow, a dip or a rise once the cover is pulled over it: a taut cover bridges the one and flattens the other. */
export type FormLeft = {
  /** id of the pad */
  pad: string;
  /** how far its middle is worked under (or over) its rim, mm */
  cut: number;
  /** how much of that is left on the covered surface, mm */
  left: number;
};

/**
 * Measures what a pulled cover leaves of every form worked into a pad.
 *
 * @param stack the built stack
 * @param covered its covered surface
 * @returns one entry a form; none where its middle or its whole rim lies off the padding
 */
export function formsLeft(stack: Stack, covered: CoveredSurface): FormLeft[] {
  const over = (at: Point): number => readGrid(covered.grid, at);
  const free = (at: Point): number => freeHeight(stack, at) + stack.baseHeight(...at);
  return stack.pads.flatMap(({ pad }) => {
    const found = pad.profile && formOf(pad.profile).spots?.(pad.profile, stack.middle);
    if (!found) return [];
    const rim = found.rim.filter((at) => !Number.isNaN(over(at)));
    if (rim.length === 0 || Number.isNaN(over(found.at))) return [];
    const deep = (height: (at: Point) => number): number =>
      found.sign * (rim.reduce((sum, at) => sum + height(at), 0) / rim.length - height(found.at));
    // What the base, the other pads and a crown make of it is not the form's.
    const left = deep(over) - (deep(free) - found.by);
    return [{ pad: pad.id, cut: found.by, left: Math.min(found.by, Math.max(0, left)) }];
  });
}
