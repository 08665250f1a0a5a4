import type { Model } from '../build';
import { wayOf } from '../cover';
import { kindOf } from '../piece';

/** A pan thinner than this holds no staple: cover and washers are riveted through it, mm. */
const THIN_PAN = 6;

/** Whether the cover is riveted: a pan too thin for a staple. */
export function riveted({ piece }: Model): boolean {
  return kindOf(piece.kind).traits.pan && piece.base.board.thickness < THIN_PAN && !wayOf(piece.covering.way).loose;
}
