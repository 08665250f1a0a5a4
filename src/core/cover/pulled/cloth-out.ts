import type { RuleReader } from '../../house';
import type { Covering } from '../../piece';
import { wayOf } from '../ways';
import type { StationWrap } from './wrap';

/**
 * How far the cloth reaches beyond the edge of the covered top at a station, mm: to its own edge, where its cuts begin. A way whose cloth
 * goes on through the frame reaches farther than under the board.
 *
 * @param model the built piece
 * @param station the measured station
 */
export function clothOut({ piece: { covering }, rule }: { piece: { covering: Covering }; rule: RuleReader }, station: StationWrap): number {
  const beyond = station.ends ? undefined : wayOf(covering.way).beyond?.(rule, covering);
  return beyond ? station.side + beyond.staple + beyond.grip : station.wrap;
}
