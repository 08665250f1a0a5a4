import type { RuleReader } from '../../house';
import type { Covering } from '../../piece';
import { wayOf } from '../ways';
import type { StationWrap } from './wrap';

type ClothModel = { piece: { covering: Covering }; rule: RuleReader };

/** How far the cloth goes on beyond the board's lower edge where nothing is said of an edge, mm: under it, or through the frame. */
export function clothUnder({ piece: { covering }, rule }: ClothModel): number {
  const { staple, grip } = wayOf(covering.way).beyond?.(rule, covering) ?? { staple: rule('return'), grip: rule('grip') };
  return staple + grip;
}

/**
 * How far the cloth reaches beyond the edge of the covered top at a station, mm: to its own edge, where its cuts begin. A way whose cloth
 * goes on through the frame reaches farther than under the board.
 *
 * @param model the built piece
 * @param station the measured station
 */
export function clothOut(model: ClothModel, station: StationWrap): number {
  const reaches = !station.ends && wayOf(model.piece.covering.way).beyond !== undefined;
  return reaches ? station.side + clothUnder(model) : station.wrap;
}
