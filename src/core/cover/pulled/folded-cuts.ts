import type { Point } from '../../outline';
import type { CornerPlan } from './corners';
import type { ReliefCut } from './relief';
import type { StationWrap } from './wrap';

/**
 * The relief cuts as they lie once the cloth is folded under the board: from short of its edge to the trim, on the plan.
 *
 * @param corners with their cuts on the flat blank
 * @param relief cuts round the curves
 * @param station any station: how much the cloth grows over the edge, and how far it goes under
 */
export function foldedCuts(corners: readonly CornerPlan[], relief: readonly ReliefCut[], station: StationWrap): Point[][] {
  const places = [
    ...corners.flatMap(({ cut, x, y }) => (cut ? [{ cut, x, y }] : [])),
    ...relief.map((cut) => ({ cut, x: cut.x, y: cut.y })),
  ];
  const growth = station.top - station.planDistance + station.side;
  return places.map(({ cut, x, y }) => {
    const length = Math.hypot(cut.from[0] - cut.to[0], cut.from[1] - cut.to[1]) || 1;
    const [dx, dy] = [(cut.from[0] - cut.to[0]) / length, (cut.from[1] - cut.to[1]) / length];
    const stop = Math.max(0, Math.hypot(cut.to[0] - x, cut.to[1] - y) - growth);
    return [stop, station.return].map((inward): Point => [x - dx * inward, y - dy * inward]);
  });
}
