import type { BaseShape } from './schema/shapes';
import { measuredOutline } from './survey/measured-outline';
import { cutNotch, type Notch } from './notch';
import type { Outline } from './types';

/**
 * The base's outline as lines, arcs and curves, its notches cut.
 *
 * @param shape the measured shape
 * @param [notches] cut in order; one that cannot be cut is left out (`checkPiece` says why)
 */
export function baseOutline(shape: BaseShape, notches: readonly Notch[] = []): Outline {
  return notches.reduce((outline, notch) => {
    const cut = cutNotch(outline, notch);
    return typeof cut === 'string' ? outline : cut;
  }, measuredOutline(shape).outline);
}
