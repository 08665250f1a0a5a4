import { modelOf, type Model } from '../padding';
import type { HouseRules } from '../house';
import type { Keep } from '../keep';
import type { Piece } from '../piece';
import { wayOf } from './ways';

/**
 * A piece built as its way of covering holds it: pulled over its edge, or boxed.
 *
 * @param piece the document
 * @param house the workshop's rules
 * @param [keep] keeps what did not change
 */
export function builtModel(piece: Piece, house: HouseRules, keep?: Keep): Model {
  const { boxed = false, loose = false } = wayOf(piece.covering.way);
  return modelOf(piece, house, keep, { boxed, loose });
}
